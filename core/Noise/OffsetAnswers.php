<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Tipping;
use Footnote\Core\Judgement\TippingPoint;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Response\Moments;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** Makes results of what a unit indicated: the offset along the bracket taken out in every way, and what would tip a decision. */
final readonly class OffsetAnswers
{
    /** Offset range in which a tipping point is looked for, dB. */
    private const TIPPING_RANGE = 30.0;

    /** @var array<string, Figure> the stretches in which the unit ran, as rows of an equation */
    private array $running;

    /**
     * @param Span         $window    of the run that stands
     * @param list<Span>   $stretches of it in which the unit ran
     * @param Moments      $moments   of the run
     * @param list<string> $causes    why no statement about a limit is robust, whatever its values
     */
    public function __construct(
        private Answer $reported,
        public OffsetEvidence $evidence,
        private Bracket $bracket,
        private Span $window,
        private array $stretches,
        private Moments $moments,
        private array $causes = [],
    ) {
        $this->running = $moments->stretches($stretches, 'start, stop and pauses');
    }

    /** @param list<ExposureLimit> $limits */
    public function judged(SolvableResult $worked, array $limits): Result
    {
        return (new LimitJudge())->judge(
            $worked->result->doubting(...$this->causes),
            $limits,
            fn (ExposureLimit $limit): TippingPoint => $this->tipping($limit, $worked),
            null,
            $this->bracket,
        );
    }

    /** A level that accrued evenly, with the offset that moved taken out; null where it did not move. */
    public function evenly(Figure $indicated): ?Figure
    {
        $line = $this->evidence->line;

        return $line === null || $line->isConstant() ? null : $this->along(
            OffsetRemoval::ofLevel($indicated),
            $indicated->toFloat() + 10 * log10($line->meanFactor(log(10) / 10, $this->stretches)),
            NoiseEquation::LevelAlongBracket,
            ['L_ind' => $indicated, ...$this->line('i'), ...$this->running],
        );
    }

    /** A dose of which only the total is known, as if it had accrued evenly; null where the offset did not move. */
    public function evenlyDosed(OffsetRemoval $removal, DoseCriterion $criterion, Figure $q): ?Figure
    {
        $line = $this->evidence->line;

        return $line === null || $line->isConstant() ? null : $this->along(
            $removal,
            $removal->indicated->toFloat() * $line->meanFactor(log(2) / $criterion->q(), $this->stretches),
            NoiseEquation::DoseAlongBracket,
            ['D_ind' => $removal->indicated, 'q' => $q, ...$this->line('i'), ...$this->running],
        );
    }

    /**
     * A quantity with the offset along the bracket taken out.
     *
     * @param array<string, Figure> $inputs
     */
    public function along(OffsetRemoval $removal, float $value, NoiseEquation $equation, array $inputs): Figure
    {
        return $removal->told('interpolated offset taken out', $value, $equation, $inputs);
    }

    /**
     * The offset along the bracket as rows of an equation: t_i₁, o_i₁, t_i₂ …
     *
     * @return array<string, Figure>
     */
    public function line(string $index): array
    {
        return $this->moments->along(
            $this->evidence->line->knots ?? [],
            ['t_'.$index, 'o_'.$index],
            static fn (OffsetKnot $knot): array => [$knot->offset],
        );
    }

    /**
     * A level, from which an offset is taken as it is.
     *
     * @param Figure|null $between with the moving offset, where its moments are known
     */
    public function level(string $key, string $title, Figure $indicated, ?Figure $between): SolvableResult
    {
        return $this->of($key, $title, OffsetRemoval::ofLevel($indicated), $between);
    }

    /** A quantity whose answers were put together of others, and from which an offset is taken as from each of them. */
    public function made(string $key, string $title, FourAnswers $answers): SolvableResult
    {
        $removal = OffsetRemoval::ofLevel($answers->indicated ?? $answers->best() ?? throw new \LogicException('It has an answer.'));

        return new SolvableResult(Result::of($key, $title, $this->reported, $answers), $removal->at(...), $removal->tips(...));
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
        $between = OffsetRemoval::ofLevel($indicated)->told(
            'at an unknown moment along the bracket',
            round($indicated->toFloat() - min($offsets), 9),
            NoiseEquation::UnknownMoment,
            ['L_ind' => $indicated, ...$this->line('i'), ...$this->moments->standing($this->window)],
        )
            ->downTo(round($indicated->toFloat() - max($offsets), 9))->bounded($indicated->known->bound);

        return $worked->between($between);
    }

    /**
     * A quantity that depends on the offset in whatever way.
     *
     * @param Figure|null $between with the moving offset; null where it does not move, or its moments are not known
     */
    public function of(string $key, string $title, OffsetRemoval $removal, ?Figure $between): SolvableResult
    {
        $indicated = $removal->indicated;
        $line = $this->evidence->line;
        $answers = FourAnswers::along(
            $this->setRight($removal),
            $line->knots ?? [],
            $this->bracket,
            static fn (OffsetKnot $knot): Figure => $removal->of(
                $knot->offset,
                ($knot->asLeft ? 'offset as left at ' : 'offset as found at ').$knot->check.' taken out',
            ),
            fn (): ?Figure => $line === null || \count($line->knots) < 2 ? null : $between ?? $this->standing($removal, $line),
        );
        foreach ($this->evidence->further as $knot) {
            $answers = $answers->alsoBy($removal->of($knot->offset, 'offset of another tone at '.$knot->check.' taken out'));
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

        return new SolvableResult(Result::of($key, $title, $this->reported, $answers), $removal->at(...), $removal->tips(...));
    }

    /** Without a moment or an even accrual the mean of the offsets along the bracket is taken out; where all are alike, that one. */
    private function standing(OffsetRemoval $removal, OffsetLine $line): Figure
    {
        $offsets = array_map(static fn (OffsetKnot $knot): Figure => $knot->offset, $line->knots);

        return $line->isConstant()
            ? $removal->of($offsets[0], 'interpolated offset taken out')
            : $this->along(
                $removal,
                $removal->at(array_sum(array_map(static fn (Figure $offset): float => $offset->toFloat(), $offsets)) / \count($offsets)),
                NoiseEquation::HalfwayTakenOut,
                ['L_ind' => $removal->indicated, ...Row::of('o_i', $offsets)],
            );
    }

    /** What the unit would have shown had it been set by the true level. */
    private function setRight(OffsetRemoval $removal): Figure
    {
        $error = $this->evidence->error;

        return $error === null || !$error->value instanceof Exact ? $removal->indicated : $removal->of(
            Figure::derived(
                'o',
                'offset that the error of the calibrator left',
                $error->value->negated(),
                LevelUnit::Decibel,
                SharedEquation::OffsetOfRecall,
                ['e' => $error],
                2,
            ),
            'the error of the calibrator taken out',
        );
    }

    /** The offset at which the value would sit on the limit. */
    private function tipping(ExposureLimit $limit, SolvableResult $worked): TippingPoint
    {
        $at = $worked->at(...);
        $target = $limit->threshold->value->value->toFloat();
        $indicated = $worked->result->reportedFigure();
        if (!is_finite($indicated->toFloat())) {
            return TippingPoint::none('There is nothing to set against the limit.');
        }
        $low = -self::TIPPING_RANGE;
        $high = self::TIPPING_RANGE;
        if (($at($low) - $target) * ($at($high) - $target) > 0) {
            return TippingPoint::none(\sprintf('No offset within ±%d dB would move it across the limit.', (int) self::TIPPING_RANGE));
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
        $figure = $worked->tips($offset, $limit->figure('L', $indicated->unit), 'offset at which it sits on the limit');
        $offsets = array_map(static fn (OffsetKnot $knot): Figure => $knot->offset, $this->evidence->line->knots ?? []);
        $seen = $offsets === []
            ? Sentence::of('no check shows where it was')
            : Sentence::of(\sprintf(
                'its checks showed %s dB',
                implode(' and ', array_unique(array_map(static fn (Figure $one): string => $one->signed(), $offsets))),
            ), ...$offsets);
        $ever = Tipping::ever($this->evidence->largestEver, AcousticResponse::drifts($this->evidence->line, []), 'drifted');

        $turns = $offset === 0.0
            ? 'It sits on the limit; '
            : \sprintf(
                'It turns if the instrument read %s dB too %s; ',
                number_format(abs($offset), 2, '.', ''),
                $offset > 0 ? 'high' : 'low',
            );

        return new TippingPoint($figure, Sentence::of($turns, $figure)->then($seen)->then($ever)->then('.'));
    }
}
