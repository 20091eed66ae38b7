<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** Makes results of what a unit indicated: the offset along the bracket taken out in every way, and what would tip a decision. */
final readonly class OffsetAnswers
{
    /** Offset range in which a tipping point is looked for, dB. */
    private const TIPPING_RANGE = 30.0;

    /**
     * @param OffsetLine|null  $line        of the tone that the unit is adjusted to; null where no check shows one
     * @param list<OffsetKnot> $further     what its other tones showed: they widen the drift interval
     * @param Span             $window      of the run that stands
     * @param Figure|null      $largestEver the most this unit has ever drifted
     */
    public function __construct(
        private Answer $reported,
        public ?OffsetLine $line,
        private array $further,
        private Bracket $bracket,
        private Span $window,
        private ?Figure $largestEver,
    ) {
    }

    /** @param list<ExposureLimit> $limits */
    public function judged(SolvableResult $worked, array $limits): Result
    {
        return (new LimitJudge())->judge($worked->result, $limits, fn (ExposureLimit $limit): array => $this->tipping($limit, $worked), null, $this->bracket);
    }

    /** A level that accrued evenly, with the offset that moved taken out, dB; null where it did not move. */
    public function betweenLevel(float $indicated): ?float
    {
        return $this->line === null || $this->line->isConstant() ? null
            : $indicated + 10 * log10($this->line->meanFactor(log(10) / 10, $this->window));
    }

    /**
     * A level, from which an offset is taken as it is.
     *
     * @param float|null $between with the moving offset, where its moments are known
     */
    public function level(string $key, string $title, Figure $indicated, ?float $between): SolvableResult
    {
        $exact = $indicated->value;
        $value = $indicated->toFloat();

        return $this->of($key, $title, $indicated, static fn (float $offset): float => $value - $offset, $between, $exact instanceof Exact ? $exact->minus(...) : null);
    }

    /**
     * A quantity that depends on the offset in whatever way.
     *
     * @param \Closure(float): float      $at      the value with a constant offset taken out
     * @param float|null                  $between with the moving offset; null where it does not move
     * @param (\Closure(Exact): Exact)|null $exactly the same exactly, where the value is a decimal as written
     */
    public function of(string $key, string $title, Figure $indicated, \Closure $at, ?float $between, ?\Closure $exactly = null): SolvableResult
    {
        $value = static fn (Figure $offset): Exact|float => $exactly !== null && $offset->value instanceof Exact ? $exactly($offset->value) : $at($offset->toFloat());
        $derive = static fn (OffsetKnot $knot, string $how): Figure => Figure::derived($indicated->symbol, $indicated->meaning.', '.$how, $value($knot->offset), $indicated->unit, NoiseEquation::OffsetTakenOut, [$indicated, $knot->offset], $indicated->decimals);
        $line = $this->line;
        $middle = static fn (Figure $pre): ?Figure => $line === null || \count($line->knots) < 2 ? null : Figure::derived(
            $indicated->symbol,
            $indicated->meaning.', offset along the bracket taken out',
            $between ?? ($line->isConstant() ? $pre->value : $at(self::halfway($line))),
            $indicated->unit,
            NoiseEquation::OffsetTakenOut,
            [$indicated, ...array_map(static fn (OffsetKnot $knot): Figure => $knot->offset, $line->knots)],
            $indicated->decimals,
        );
        $answers = FourAnswers::along($indicated, $line->knots ?? [], $this->bracket, static fn (OffsetKnot $knot): Figure => $derive($knot, ($knot->asLeft ? 'offset as left at ' : 'offset as found at ').$knot->check.' taken out'), $middle);
        foreach ($this->further as $knot) {
            $answers = $answers->alsoBy($derive($knot, 'offset of another tone at '.$knot->check.' taken out'));
        }

        if ($indicated->floor !== null) {
            // The lower end of an interval moves as its upper end does.
            $wide = $indicated->toFloat() - Real::toFloat($indicated->floor);
            $answers = $answers->each(static fn (Figure $one): Figure => $one->floor === null ? $one->downTo($one->toFloat() - $wide) : $one);
        }

        return new SolvableResult(Result::of($key, $title, $this->reported, $answers), $at);
    }

    /** A peak known as a total has no moment: the mean of the offsets at both ends is taken out. */
    private static function halfway(OffsetLine $line): float
    {
        return array_sum(array_map(static fn (OffsetKnot $knot): float => $knot->offset->toFloat(), $line->knots)) / \count($line->knots);
    }

    /**
     * The offset at which the value would sit on the limit.
     *
     * @return array{?Figure, string}
     */
    private function tipping(ExposureLimit $limit, SolvableResult $worked): array
    {
        $at = $worked->at(...);
        $target = $limit->value->value->toFloat();
        $indicated = $worked->result->reportedFigure();
        if (!is_finite($indicated->toFloat())) {
            return [null, 'There is nothing to set against the limit.'];
        }
        [$low, $high] = [-self::TIPPING_RANGE, self::TIPPING_RANGE];
        if (($at($low) - $target) * ($at($high) - $target) > 0) {
            return [null, \sprintf('No offset within ±%d dB would move it across the limit.', (int) self::TIPPING_RANGE)];
        }
        for ($i = 0; $i < 48; ++$i) {
            $middle = ($low + $high) / 2;
            // A value falls as the offset that is taken out grows.
            if ($at($middle) > $target) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }
        $offset = round(($low + $high) / 2, 6);
        $figure = Figure::derived('o*', 'offset at which it sits on the limit', $offset, Unit::Decibel, NoiseEquation::OffsetTakenOut, [$worked->result->indicated ?? $indicated], 2);
        $seen = $this->line === null ? 'no check shows where it was' : 'its checks showed '.implode(' and ', array_unique(array_map(static fn (OffsetKnot $knot): string => $knot->offset->signed(), $this->line->knots))).' dB';
        $ever = $this->largestEver === null ? '' : \sprintf('; the most it ever drifted is %s dB', $this->largestEver->signed());

        return [$figure, \sprintf('It turns if the unit read %s dB too %s; %s%s.', number_format(abs($offset), 2, '.', ''), $offset >= 0 ? 'high' : 'low', $seen, $ever)];
    }
}
