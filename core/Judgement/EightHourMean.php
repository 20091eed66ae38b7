<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/**
 * C-3 of one run that stands for a shift: a mean over the time it rests on, told over eight hours, with what was not sampled
 * as nothing and as the same.
 */
final readonly class EightHourMean
{
    private const MINUTES = 480;
    /** Less than a minute unsampled is none. */
    private const NONE = 1;

    private Exact $shift;
    private Exact $left;
    private bool $asRest;
    public FourAnswers $answers;

    /**
     * @param Figure   $time     that the mean rests on, min
     * @param \Closure(Exact|float): int $digits decimals that a value is shown with
     */
    public function __construct(
        private FourAnswers $mean,
        private Figure $time,
        private Run $run,
        Policy $policy,
        private \Closure $digits,
    ) {
        $this->shift = Exact::of(number_format($run->day->minutes ?? self::MINUTES, 6, '.', ''));
        $sampled = $time->value instanceof Exact ? $time->value : Exact::of(number_format($time->value, 6, '.', ''));
        $this->left = $this->shift->minus($sampled);
        $this->asRest = $run->day->rest->asSampled ?? $policy->choice(PolicyChoice::UnsampledTime) === PolicyChoice::AS_SAMPLED;
        $this->answers = $mean->each(fn (Figure $one): Figure => $this->over($one, $this->asRest));
    }

    /** A result of it, with the number that the other taking of what was not sampled gives. */
    public function told(Result $result, ?\Closure $further = null): Result
    {
        $result = $result->covering(Coverage::of($this->run, [$this->time], $this->run->day->rest));
        if ($this->run->day->minutes === null) {
            $result = $result->altered(
                new Altered(
                    new Alteration(
                        AlterationKind::Assumed,
                        'the working day',
                        \sprintf('no working day was stated: %d min are taken for it', self::MINUTES),
                        'mean',
                    ),
                    null,
                ),
            );
        }
        if ($this->left->compareTo(Exact::of(self::NONE)) < 0) {
            return $result;
        }
        if ($this->run->day->rest !== null) {
            return $result->noting($this->run->day->rest->words());
        }
        $other = $this->mean->each(fn (Figure $one): Figure => $this->over($one, !$this->asRest));
        $figure = match ($result->reportedAnswer()) {
            Answer::Pre => $other->pre,
            Answer::Post => $other->post,
            Answer::Between => $other->between,
            default => $other->indicated,
        } ?? $other->best();
        $figure = $figure === null || $further === null ? $figure : $further($figure);

        return $result
            ->or(
                $this->asRest ? Coverage::AS_NOTHING : Coverage::AS_SAMPLED,
                $figure instanceof Figure ? $figure : null,
            )
            ->noting(
                Sentence::of(\sprintf(
                    '%s min of %s were not sampled and are taken %s.',
                    $this->left->rounded(0),
                    $this->shift->rounded(0),
                    $this->asRest ? 'as the rest' : 'as zero',
                ), $this->time),
            );
    }

    private function over(Figure $mean, bool $asRest): Figure
    {
        $time = $asRest && $this->left->compareTo(Exact::zero()) > 0
            ? Figure::read(
                'T_shift',
                'working day, the rest of it as sampled',
                $this->shift,
                CommonUnit::Minute,
                new Origin('run', $this->run->id, $this->run->day->minutes === null ? 'taken, none was stated' : 'stated with the run'),
                0,
            )
            : $this->time;

        return Figure::derived(
            'TWA',
            'time-weighted average over 8 h',
            Real::by(Real::times($mean->value, $time->value), Exact::of(self::MINUTES)),
            $mean->unit,
            SharedEquation::EightHourMean,
            ['c' => $mean, 't' => $time],
            ($this->digits)($mean->value),
        )->bounded($mean->known->bound);
    }
}
