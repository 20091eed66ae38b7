<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\RestOfDay;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\AdditiveMixture;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Parts;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\PolicyChoice;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Shift;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;

/**
 * C-3: the samples of one person's shift as one exposure, substance by substance and fraction by fraction. Lower ends are
 * combined with lower ends, upper with upper. What is void is time that was not sampled; what went on side by side is never
 * added, and each of those stands alone.
 */
final readonly class ShiftExposure
{
    private const EIGHT_HOURS = 480;

    private SampleResults $family;

    /** @param list<Assessment> $shift the samples of the shift, in order of time */
    public function __construct(private Assessment $own, private array $shift, private Policy $policy, private Yardsticks $yardsticks)
    {
        $this->family = $own->family instanceof SampleResults ? $own->family : throw new \LogicException('Not a sample of air.');
    }

    /** @return list<Result> */
    public function results(): array
    {
        if ($this->family->sample->shortTerm) {
            return [];
        }
        $limits = new SampleLimits($this->yardsticks, $this->family->sample, $this->family->drawn->line, $this->family->drawn->largestEver);
        $results = [];
        $errors = [];
        foreach ($this->family->sample->analysed->analytes as $analyte) {
            [$chain, $beside] = $this->chain($this->own, $analyte->analyte);
            if ($chain !== []) {
                $made = $this->inBothUnits($this->timeWeighted($analyte, $chain, $this->asRest(), $beside), $analyte);
                foreach ($made as $result) {
                    $errors['='.$result->key] = $this->error($chain);
                }
                $results = [
                    ...$results,
                    ...$made,
                    ...($this->isShort($chain) ? [$this->timeWeighted($analyte, $chain, !$this->asRest(), [])] : []),
                ];
            }
        }
        $elsewhere = $this->elsewhere($results, $errors);
        $mixtures = AdditiveMixture::all([...$results, ...$elsewhere], $this->yardsticks);

        return [
            ...array_map(
                static fn (Result $result): Result => $limits->against($result, error: $errors['='.$result->key] ?? null),
                $results,
            ),
            ...array_map(
                fn (Result $result): Result => $limits->against(
                    $result,
                    error: $this->ofMixture($result, [...$results, ...$elsewhere], $errors),
                ),
                $results === [] ? [] : $mixtures,
            ),
        ];
    }

    /**
     * The samples of a substance that make one exposure with a first one, in order of time, and those that went on beside it.
     *
     * @return array{list<ShiftPart>, list<ShiftPart>} no chain where the first one is void, or has no concentration of it
     */
    private function chain(Assessment $first, string $analyte): array
    {
        $root = $this->part($first, $analyte);
        if ($root === null || $root->verdict === Verdict::Void || $root->minutes()->isZero()) {
            return [[], []];
        }
        $chain = [$root];
        $beside = [];
        foreach ($this->shift as $assessment) {
            $part = $assessment->run->id === $first->run->id ? null : $this->part($assessment, $analyte);
            if ($part === null
                || $part->verdict === Verdict::Void
                || $part->minutes()->isZero()
                || $part->family->sample->fraction() !== $root->family->sample->fraction()) {
                continue;
            }
            if (Shift::areParallel($root->run, $part->run, $this->policy)) {
                $beside[] = $part;
            } elseif (array_filter($chain, fn (ShiftPart $one): bool => Shift::areParallel($one->run, $part->run, $this->policy)) === []) {
                $chain[] = $part;
            }
        }
        usort(
            $chain,
            static fn (ShiftPart $a, ShiftPart $b): int => [$a->run->timing->start, $a->run->id] <=> [$b->run->timing->start, $b->run->id],
        );

        return [$chain, $beside];
    }

    private function part(Assessment $assessment, string $analyte): ?ShiftPart
    {
        $family = $assessment->family;
        if (!$family instanceof SampleResults || $family->sample->shortTerm) {
            return null;
        }
        foreach ($assessment->results as $result) {
            if ($result->key === 'conc:'.$analyte) {
                return new ShiftPart($assessment->run, $family, $result, $assessment->verdictOf($analyte));
            }
        }

        return null;
    }

    /**
     * A mixture takes each substance from its own sampler: those of the shift that this sample says nothing of.
     *
     * @param list<Result>               $own    what this sample is part of
     * @param array<string, Figure|null> $errors by key, added to
     *
     * @return list<Result>
     */
    private function elsewhere(array $own, array &$errors): array
    {
        $have = array_map(static fn (Result $one): string => '='.($one->channel ?? ''), $own);
        $results = [];
        $void = [];
        foreach ($this->shift as $assessment) {
            foreach ($assessment->family instanceof SampleResults ? $assessment->family->sample->analysed->analytes : [] as $analyte) {
                if (\in_array('='.$analyte->analyte, $have, true)) {
                    continue;
                }
                [$chain] = $this->chain($assessment, $analyte->analyte);
                if ($chain !== []) {
                    $have[] = '='.$analyte->analyte;
                    $of = \sprintf(' of %s', implode(' and ', array_map(static fn (ShiftPart $part): string => $part->run->id, $chain)));
                    foreach ($this->inBothUnits($this->timeWeighted($analyte, $chain, $this->asRest(), [], $of), $analyte) as $result) {
                        $results[] = $result;
                        $errors['='.$result->key] = $this->error($chain);
                    }
                } else {
                    $part = $this->part($assessment, $analyte->analyte);
                    $void['='.$analyte->analyte] = $part?->verdict === Verdict::Void ? $part->result : null;
                }
            }
        }
        foreach (array_filter($void) as $code => $result) {
            if (!\in_array($code, $have, true)) {
                $alone = new FourAnswers(null, $result->reportedFigure(), null, null, []);
                foreach (['twa:', 'twa-ppm:'] as $key) {
                    $results[] = Result::of($key.substr($code, 1), $result->title, Answer::Pre, $alone)->inheriting(Verdict::Void);
                }
            }
        }

        return $results;
    }

    /** @return non-empty-list<Result> */
    private function inBothUnits(Result $twa, AnalyteResult $analyte): array
    {
        $air = $this->family->sample->field->air->isKnown() ? $this->family->sample->field->air : null;
        $make = fn (Figure $figure): ?Figure => SampleWorkings::ppm(
            $figure,
            $analyte,
            $this->family->conditions,
            $air,
            new Origin('run', $this->own->run->id, 'in the field'),
        )?->bounded($figure->known->bound);
        $answers = $twa->answers()->each($make);
        if ($answers->isEmpty()) {
            return [$twa];
        }
        $told = Result::of('twa-ppm:'.$analyte->analyte, $twa->title, $twa->answers->reported, $answers, $twa->beside->notes, $twa->channel)
            ->inheriting($twa->footing->inherited ?? Verdict::Valid)
            ->doubting(...$twa->footing->causes)
            ->covering($twa->footing->coverage)
            ->notPlain();
        foreach ($twa->footing->also as [$words, $figure]) {
            $told = $told->or($words, $make($figure) ?? $figure);
        }
        foreach ($twa->footing->altered as $one) {
            $told = $told->altered(new Altered($one->by, $one->otherwise === null ? null : $make($one->otherwise)));
        }

        return [$twa, $told];
    }

    /**
     * @param non-empty-list<ShiftPart> $chain
     * @param list<ShiftPart>           $beside
     * @param string                    $of     whose samples they are, where not this one's
     */
    private function timeWeighted(AnalyteResult $analyte, array $chain, bool $asTheRest, array $beside, string $of = ''): Result
    {
        $sum = fn (\Closure $of, bool $rest): ?Figure => $this->sum($analyte, $chain, $of, $rest);
        $asReported = static fn (Result $result): Figure => $result->reportedFigure();
        // One sample reported at its cautious end makes the whole cautious.
        $isCautious = array_filter(
            $chain,
            static fn (ShiftPart $part): bool => $part->result->answers->reported === Answer::Cautious,
        ) !== [];
        $reported = $isCautious ? Answer::Cautious : $chain[0]->result->answers->reported;
        $answers = Parts::together(static fn (\Closure $of): ?Figure => $sum($of, $asTheRest));
        $inherited = Verdict::worst(...array_map(static fn (ShiftPart $part): Verdict => $part->verdict, $chain));
        $isPlain = $this->asRest() === $asTheRest;
        $unsampled = $asTheRest ? ', unsampled time as the rest' : ', unsampled time as zero';
        $title = 'TWA over 8 h, '.$analyte->name().$of.($isPlain ? '' : $unsampled);
        $notes = [$this->family->conditions->stated(), ...$this->notes($chain, $beside, $analyte->analyte, $asTheRest)];
        $result = Result::of(($isPlain ? 'twa:' : 'twa-other:').$analyte->analyte, $title, $reported, $answers, $notes, $analyte->analyte)
            ->inheriting($inherited)
            ->notPlain()
            ->doubting(...array_merge(...array_map(static fn (ShiftPart $part): array => $part->result->footing->causes, $chain)));
        $result = Parts::carried(
            $result,
            array_map(static fn (ShiftPart $part): Result => $part->result, $chain),
            static fn (\Closure $of): ?Figure => $sum($of, $asTheRest),
        );
        foreach ($beside as $part) {
            $result = $result->or(
                \sprintf('by %s beside it', $part->run->id),
                $this->sum(
                    $analyte,
                    array_map(fn (ShiftPart $one): ShiftPart => $one->run->id === $this->own->run->id ? $part : $one, $chain),
                    $asReported,
                    $asTheRest,
                ),
            );
        }
        if (!$isPlain) {
            return $result;
        }

        return ($this->isShort($chain) && $this->rest() === null ? $result->or(
            $asTheRest ? Coverage::AS_NOTHING : Coverage::AS_SAMPLED,
            $sum($asReported, !$asTheRest),
        ) : $result)
            ->covering(Coverage::of($this->longest(), self::times($chain), $this->rest()));
    }

    /**
     * @param non-empty-list<ShiftPart>  $chain
     * @param callable(Result): ?Figure $of
     */
    private function sum(AnalyteResult $analyte, array $chain, callable $of, bool $asTheRest): ?Figure
    {
        $high = Exact::zero();
        $low = Exact::zero();
        $members = [];
        $covered = [];
        $interval = false;
        $unsampled = $this->shiftMinutes()->minus($this->sampled($chain));
        $stretch = $asTheRest && $unsampled->compareTo(Exact::zero()) > 0
            ? $this->shiftMinutes()->dividedBy($this->sampled($chain))
            : Exact::of(1);
        foreach (self::counted($chain) as [$part, $minutes]) {
            $figure = $of($part->result);
            if (!$figure instanceof Figure) {
                return null;
            }
            $weight = $minutes->times($stretch);
            $high = Real::plus($high, Real::times($figure->value, $weight));
            $low = Real::plus($low, Real::times($figure->known->floor ?? $figure->value, $weight));
            $interval = $interval || $figure->known->floor !== null;
            $members[] = [$figure, $part->time($covered)];
            $covered = Span::united([...$covered, ...$part->family->drawn->stretches]);
        }
        $value = Real::by($high, Exact::of(self::EIGHT_HOURS));
        $isStretched = $asTheRest && $unsampled->compareTo(Exact::zero()) > 0;
        $row = Row::together(['c_i', 't_i'], $members);
        $twa = Figure::derived(
            'TWA',
            'time-weighted average over 8 h of '.$analyte->name(),
            $value,
            CommonUnit::MilligramPerCubicMetre,
            $isStretched ? FlowEquation::TimeWeightedOverShift : SharedEquation::TimeWeightedAverage,
            $isStretched
                ? [
                    ...$row,
                    'T_shift' => $this->shiftFigure(),
                ]
                : $row,
            Digits::significant($value, 3),
        );

        return $interval ? $twa->downTo(Real::by($low, Exact::of(self::EIGHT_HOURS))) : $twa;
    }

    /** @param list<ShiftPart> $chain */
    private function error(array $chain): ?Figure
    {
        return SampleLimits::combined(
            array_map(
                static fn (ShiftPart $part): array => [
                    'value' => $part->result->reportedFigure(),
                    'by' => $part->time([]),
                    'error' => SampleLimits::error($part->family->sample),
                ],
                $chain,
            ),
            FlowEquation::ErrorOfMean,
        );
    }

    /**
     * @param list<Result>               $members
     * @param array<string, Figure|null> $errors
     */
    private function ofMixture(Result $mixture, array $members, array $errors): ?Figure
    {
        $parts = [];
        foreach ($this->yardsticks->limits as $limit) {
            foreach ($members as $member) {
                if ('mixture:'.$limit->mixture === $mixture->key
                    && $member->key === $limit->quantity
                    && $member->footing->inherited !== Verdict::Void
                    && !$limit->threshold->value->value->isZero()) {
                    $value = $member->reportedFigure();
                    $parts[] = [
                        'value' => $value,
                        'by' => $limit->figure('L', $value->unit),
                        'error' => $errors['='.$member->key] ?? null,
                    ];
                }
            }
        }

        return SampleLimits::combined($parts, FlowEquation::ErrorOfMixture);
    }

    /**
     * @param non-empty-list<ShiftPart> $chain
     * @param list<ShiftPart>           $beside
     *
     * @return list<string|Sentence>
     */
    private function notes(array $chain, array $beside, string $analyte, bool $asTheRest): array
    {
        $made = array_map(
            static fn (array $one): string => \sprintf('%s (%s min, %s)', $one[0]->run->id, $one[1]->rounded(0), $one[0]->verdict->value),
            self::counted($chain),
        );
        $times = self::times($chain);
        $notes = [Sentence::of(\sprintf('Made of %s.', implode(', ', $made)), ...$times)];
        $counted = array_map(static fn (ShiftPart $part): string => $part->run->id, [...$chain, ...$beside]);
        foreach ($beside as $part) {
            $notes[] = \sprintf('%s went on beside it and stands alone; the two are not added.', $part->run->id);
        }
        foreach ($this->shift as $one) {
            if ($one->family instanceof SampleResults && !$one->family->sample->shortTerm && !\in_array($one->run->id, $counted, true)) {
                $notes[] = \sprintf('%s is not in it: %s.', $one->run->id, match (true) {
                    $one->verdictOf($analyte) === Verdict::Void => 'void, its time counts as not sampled',
                    $one->family->result('conc:'.$analyte) === null => 'no concentration of this substance',
                    $one->family->sample->fraction() !== $this->family->sample->fraction() => 'of another fraction',
                    default => 'it went on beside one that is',
                });
            }
        }
        if ($this->isShort($chain)) {
            $notes[] = Sentence::of(\sprintf(
                '%s min of %s were not sampled and are taken %s.',
                $this->shiftMinutes()->minus($this->sampled($chain))->rounded(0),
                $this->shiftMinutes()->rounded(0),
                $asTheRest ? 'as the rest' : 'as zero',
            ), $this->shiftFigure(), ...$times);
        }

        return $notes;
    }

    /**
     * The time that the samples cover, what they share counted once, min.
     *
     * @param list<ShiftPart> $chain
     */
    private function sampled(array $chain): Exact
    {
        return array_reduce(self::counted($chain), static fn (Exact $sum, array $one): Exact => $sum->plus($one[1]), Exact::zero());
    }

    /**
     * The samples with the time that each adds, min.
     *
     * @param list<ShiftPart> $chain
     *
     * @return list<array{ShiftPart, Exact}>
     */
    private static function counted(array $chain): array
    {
        $counted = [];
        $covered = [];
        foreach ($chain as $part) {
            $counted[] = [$part, $part->minutes($covered)];
            $covered = Span::united([...$covered, ...$part->family->drawn->stretches]);
        }

        return $counted;
    }

    /**
     * The time that each adds, as figures, min.
     *
     * @param list<ShiftPart> $chain
     *
     * @return list<Figure>
     */
    private static function times(array $chain): array
    {
        $times = [];
        $covered = [];
        foreach ($chain as $part) {
            $times[] = $part->time($covered);
            $covered = Span::united([...$covered, ...$part->family->drawn->stretches]);
        }

        return $times;
    }

    /** @param list<ShiftPart> $chain */
    private function isShort(array $chain): bool
    {
        return $this->shiftMinutes()->compareTo($this->sampled($chain)) > 0;
    }

    private function asRest(): bool
    {
        return $this->rest()->asSampled ?? ($this->policy->choice(PolicyChoice::UnsampledTime) === PolicyChoice::AS_SAMPLED);
    }

    /** A person's word on what was not sampled; of several samples that of the first that has one. */
    private function rest(): ?RestOfDay
    {
        foreach ([$this->own, ...$this->shift] as $one) {
            if ($one->run->day->rest !== null) {
                return $one->run->day->rest;
            }
        }

        return null;
    }

    private function statedMinutes(): ?float
    {
        $longest = $this->longest()->day->minutes;

        return $longest > 0.0 ? $longest : null;
    }

    /** The sample that states the longest working day; where none does, this one. */
    private function longest(): Run
    {
        return array_reduce(
            $this->shift,
            static fn (Run $longest, Assessment $one): Run => ($one->run->day->minutes ?? 0.0) > ($longest->day->minutes ?? 0.0)
                ? $one->run
                : $longest,
            $this->own->run,
        );
    }

    private function shiftFigure(): Figure
    {
        return Figure::read(
            'T_shift',
            'working day',
            $this->shiftMinutes(),
            CommonUnit::Minute,
            new Origin(
                'run',
                $this->longest()->id,
                $this->statedMinutes() === null ? 'taken, none was stated' : 'stated with a sample, the longest',
            ),
            0,
        );
    }

    private function shiftMinutes(): Exact
    {
        return Exact::of(number_format($this->statedMinutes() ?? self::EIGHT_HOURS, 6, '.', ''));
    }
}
