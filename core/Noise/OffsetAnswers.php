<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Tipping;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** Makes results of what a unit indicated: the offset along the bracket taken out in every way, and what would tip a decision. */
final readonly class OffsetAnswers
{
    /** Offset range in which a tipping point is looked for, dB. */
    private const TIPPING_RANGE = 30.0;

    /**
     * @param Span         $window    of the run that stands
     * @param list<Span>   $stretches of it in which the unit ran
     * @param list<string> $causes    why no statement about a limit is robust, whatever its values
     */
    public function __construct(
        private Answer $reported,
        public OffsetEvidence $evidence,
        private Bracket $bracket,
        private Span $window,
        private array $stretches,
        private array $causes = [],
    ) {
    }

    /** @param list<ExposureLimit> $limits */
    public function judged(SolvableResult $worked, array $limits): Result
    {
        return (new LimitJudge())->judge(
            $worked->result->doubting(...$this->causes),
            $limits,
            fn (ExposureLimit $limit): array => $this->tipping($limit, $worked),
            null,
            $this->bracket,
        );
    }

    /** A level that accrued evenly, with the offset that moved taken out, dB; null where it did not move. */
    public function betweenLevel(float $indicated): ?float
    {
        return $this->evidence->line === null || $this->evidence->line->isConstant() ? null
            : $indicated + 10 * log10($this->evidence->line->meanFactor(log(10) / 10, $this->stretches));
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

        return $this->of(
            $key,
            $title,
            $indicated,
            static fn (float $offset): float => $value - $offset,
            $between,
            $exact instanceof Exact ? $exact->minus(...) : null,
        );
    }

    /** A quantity whose answers were put together of others, and from which an offset is taken as from each of them. */
    public function made(string $key, string $title, FourAnswers $answers): SolvableResult
    {
        $value = ($answers->indicated ?? $answers->best())?->toFloat() ?? 0.0;

        return new SolvableResult(
            Result::of($key, $title, $this->reported, $answers),
            static fn (float $offset): float => $value - $offset,
        );
    }

    /**
     * A highest level whose moment is not known: along the bracket it lies between the offsets of its own stretch, and the
     * higher end is the one that is told.
     */
    public function ofUnknownMoment(string $key, string $title, Figure $indicated): SolvableResult
    {
        $worked = $this->level($key, $title, $indicated, null);
        $line = $this->evidence->line;
        if ($line === null || \count($line->knots) < 2 || $line->isConstant()) {
            return $worked;
        }
        $offsets = [$line->at($this->window->from), $line->before($this->window->to)];
        foreach ($line->knots as $knot) {
            if ($this->window->from <= $knot->at && $knot->at <= $this->window->to) {
                $offsets[] = $knot->offset->toFloat();
            }
        }
        $between = Figure::derived(
            $indicated->symbol,
            $indicated->meaning.', at an unknown moment along the bracket',
            round($indicated->toFloat() - min($offsets), 9),
            $indicated->unit,
            NoiseEquation::OffsetTakenOut,
            [$indicated, ...array_map(static fn (OffsetKnot $knot): Figure => $knot->offset, $line->knots)],
            $indicated->decimals,
        )
            ->downTo(round($indicated->toFloat() - max($offsets), 9))->bounded($indicated->known->bound);

        return $worked->between($between);
    }

    /**
     * A quantity that depends on the offset in whatever way.
     *
     * @param \Closure(float): float      $at      the value with a constant offset taken out
     * @param float|null                  $between with the moving offset; null where it does not move
     * @param (\Closure(Exact): Exact)|null $exactly the same exactly, where the value is a decimal as written
     */
    public function of(
        string $key,
        string $title,
        Figure $indicated,
        \Closure $at,
        ?float $between,
        ?\Closure $exactly = null,
    ): SolvableResult {
        $value = static fn (Figure $offset): Exact|float => $exactly !== null && $offset->value instanceof Exact
            ? $exactly($offset->value)
            : $at($offset->toFloat());
        $derive = static fn (OffsetKnot $knot, string $how): Figure => Figure::derived(
            $indicated->symbol,
            $indicated->meaning.', '.$how,
            $value($knot->offset),
            $indicated->unit,
            NoiseEquation::OffsetTakenOut,
            [$indicated, $knot->offset],
            $indicated->decimals,
        );
        $line = $this->evidence->line;
        $middle = static fn (Figure $pre): ?Figure => $line === null || \count($line->knots) < 2 ? null : Figure::derived(
            $indicated->symbol,
            $indicated->meaning.', offset along the bracket taken out',
            $between ?? ($line->isConstant() ? $pre->value : $at(self::halfway($line))),
            $indicated->unit,
            NoiseEquation::OffsetTakenOut,
            [$indicated, ...array_map(static fn (OffsetKnot $knot): Figure => $knot->offset, $line->knots)],
            $indicated->decimals,
        );
        $answers = FourAnswers::along(
            $this->setRight($indicated, $value),
            $line->knots ?? [],
            $this->bracket,
            static fn (OffsetKnot $knot): Figure => $derive(
                $knot,
                ($knot->asLeft ? 'offset as left at ' : 'offset as found at ').$knot->check.' taken out',
            ),
            $middle,
        );
        foreach ($this->evidence->further as $knot) {
            $answers = $answers->alsoBy($derive($knot, 'offset of another tone at '.$knot->check.' taken out'));
        }

        if ($indicated->known->bound !== null) {
            $answers = $answers->each(
                static fn (Figure $one): Figure => $one->bounded($one->known->floor === null ? $indicated->known->bound : null),
            );
        }
        if ($indicated->known->floor !== null) {
            // The lower end of an interval moves as its upper end does.
            $wide = $indicated->toFloat() - Real::toFloat($indicated->known->floor);
            $answers = $answers->each(
                static fn (Figure $one): Figure => $one->known->floor === null ? $one->downTo($one->toFloat() - $wide) : $one,
            );
        }

        return new SolvableResult(Result::of($key, $title, $this->reported, $answers), $at);
    }

    /**
     * What the unit would have shown had it been set by the true level.
     *
     * @param \Closure(Figure): (Exact|float) $value with an offset taken out
     */
    private function setRight(Figure $indicated, \Closure $value): Figure
    {
        $error = $this->evidence->error?->value;

        return $this->evidence->error === null || !$error instanceof Exact ? $indicated : Figure::derived(
            $indicated->symbol,
            $indicated->meaning.', the error of the calibrator taken out',
            $value($this->evidence->error->of($error->negated())),
            $indicated->unit,
            SharedEquation::Recalled,
            [$indicated, $this->evidence->error],
            $indicated->decimals,
        );
    }

    /**
     * A figure between the ends that the offsets along the bracket leave it; null where no check shows an offset, or all
     * leave it at one value.
     *
     * @param \Closure(float): array{float, float|null} $ends lower and upper end with a constant offset taken out; no upper end: null
     */
    public function within(Figure $figure, \Closure $ends): ?Figure
    {
        $low = \INF;
        $high = -\INF;
        foreach ($this->evidence->line->knots ?? [] as $knot) {
            [$least, $most] = $ends($knot->offset->toFloat());
            $low = min($low, $least);
            $high = max($high, $most ?? \INF);
        }

        return match (true) {
            $low >= $high => null,
            $high === \INF => $figure->of($low)->bounded(Bound::AtLeast),
            default => $figure->of($high)->downTo($low),
        };
    }

    /** Without a moment or an even accrual the mean of the offsets at both ends is taken out. */
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
        $target = $limit->threshold->value->value->toFloat();
        $indicated = $worked->result->reportedFigure();
        if (!is_finite($indicated->toFloat())) {
            return [null, 'There is nothing to set against the limit.'];
        }
        $low = -self::TIPPING_RANGE;
        $high = self::TIPPING_RANGE;
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
        $figure = Figure::derived(
            'o*',
            'offset at which it sits on the limit',
            $offset,
            LevelUnit::Decibel,
            NoiseEquation::OffsetTakenOut,
            [$worked->result->answers->indicated ?? $indicated],
            2,
        );
        $seen = $this->evidence->line === null
            ? 'no check shows where it was'
            : 'its checks showed '.implode(
                ' and ',
                array_unique(array_map(static fn (OffsetKnot $knot): string => $knot->offset->signed(), $this->evidence->line->knots)),
            ).' dB';
        $ever = Tipping::ever($this->evidence->largestEver, AcousticResponse::drifts($this->evidence->line, []), 'drifted');

        return [
            $figure,
            $offset === 0.0
                ? \sprintf('It sits on the limit; %s%s.', $seen, $ever)
                : \sprintf(
                    'It turns if the unit read %s dB too %s; %s%s.',
                    number_format(abs($offset), 2, '.', ''),
                    $offset > 0 ? 'high' : 'low',
                    $seen,
                    $ever,
                ),
        ];
    }
}
