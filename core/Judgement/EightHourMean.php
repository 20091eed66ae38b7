<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/** C-3 of one run that stands for a shift: a mean over the time it rests on, told over eight hours, and what is done with the rest. */
final readonly class EightHourMean
{
    private const MINUTES = 480;

    /** @param list<string> $notes what was not measured, and what it is taken for */
    private function __construct(public FourAnswers $answers, public array $notes)
    {
    }

    /**
     * @param Exact    $minutes  that the mean rests on
     * @param Equation $equation of the family
     * @param \Closure(Exact|float): int $digits decimals that a value is shown with
     */
    public static function of(FourAnswers $mean, Exact $minutes, Run $run, Policy $policy, Origin $origin, Equation $equation, \Closure $digits): self
    {
        $time = Figure::read('t', 'time that the mean rests on', $minutes, Unit::Minute, $origin, 1);
        $shift = Exact::of(number_format($run->shiftMinutes ?? self::MINUTES, 6, '.', ''));
        $asRest = $policy->choice('unsampledTime') === 'rest' && $shift->compareTo($minutes) > 0;
        $weight = $asRest ? $shift : $minutes;
        $left = $shift->minus($minutes);

        return new self(
            $mean->each(static fn (Figure $one): Figure => Figure::derived('TWA', 'time-weighted average over 8 h', Real::by(Real::times($one->value, $weight), Exact::of(self::MINUTES)), $one->unit, $equation, [$one, $time], $digits($one->value))),
            $left->compareTo(Exact::of(1)) < 0 ? [] : [\sprintf('%s min of %s were not measured and are taken %s.', $left->rounded(0), $shift->rounded(0), $asRest ? 'as the rest' : 'as zero')],
        );
    }
}
