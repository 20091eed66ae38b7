<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\AdditiveMixture;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Verdict;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\FlowLine;

/**
 * C-3: the samples of one person's shift as one exposure. Lower ends are combined with lower ends, upper with upper; a
 * sample that is void counts as time that was not sampled.
 *
 * @phpstan-type Part array{run: Run, result: Result, minutes: Exact, time: Figure, verdict: Verdict}
 */
final readonly class ShiftExposure
{
    private const EIGHT_HOURS = 480;
    private const ANSWERS = [Answer::Indicated, Answer::Pre, Answer::Post, Answer::Between];

    /** @param list<Assessment> $shift the samples of the shift, in order of time */
    public function __construct(private Assessment $own, private array $shift, private Policy $policy, private Yardsticks $yardsticks)
    {
    }

    /** @return list<Result> */
    public function results(): array
    {
        $own = $this->own->family;
        if (!$own instanceof SampleResults || $own->sample->shortTerm) {
            return [];
        }
        $limits = new SampleLimits($this->yardsticks, $own->sample, $own->line, $own->largestEverDrift);
        $results = [];
        foreach ($own->sample->analytes as $analyte) {
            $parts = $this->parts($analyte->analyte);
            if ($parts === []) {
                continue;
            }
            $asTheRest = $this->policy->choice('unsampledTime') === 'rest';
            array_push($results, ...$this->inBothUnits($this->timeWeighted($analyte, $parts, $asTheRest), 'twa', $analyte, $own));
            if ($this->unsampled($parts)->compareTo(Exact::zero()) > 0) {
                $results[] = $this->timeWeighted($analyte, $parts, !$asTheRest);
            }
        }

        return array_map(static fn (Result $result): Result => $limits->against($result), [...$results, ...AdditiveMixture::all($results, $this->yardsticks, SharedEquation::TimeWeightedAverage)]);
    }

    /** @return list<Result> */
    private function inBothUnits(Result $twa, string $key, AnalyteResult $analyte, SampleResults $own): array
    {
        $air = $own->sample->air->isKnown() ? $own->sample->air : null;
        $make = static fn (?Figure $figure): ?Figure => $figure === null ? null : SampleWorkings::ppm($figure, $analyte, $own->conditions, $air);
        $answers = array_map(static fn (Answer $answer): ?Figure => $make($twa->answer($answer)), self::ANSWERS);
        if (array_filter($answers, static fn (?Figure $figure): bool => $figure !== null) === []) {
            return [$twa];
        }
        $byChecks = array_values(array_filter(array_map($make, $twa->byChecks), static fn (?Figure $figure): bool => $figure !== null));

        return [$twa, new Result($key.'-ppm:'.$analyte->analyte, $twa->title, $twa->reported, $answers[0], $answers[1], $answers[2], $answers[3], $byChecks, [], $twa->notes, null, $twa->channel, false, $twa->inherited)];
    }

    /** @param non-empty-list<Part> $parts */
    private function timeWeighted(AnalyteResult $analyte, array $parts, bool $asTheRest): Result
    {
        $sampled = array_reduce($parts, static fn (Exact $sum, array $part): Exact => $sum->plus($part['minutes']), Exact::zero());
        $shift = $this->shiftMinutes();
        $unsampled = $this->unsampled($parts);
        $stretch = $asTheRest && $unsampled->compareTo(Exact::zero()) > 0 ? $shift->dividedBy($sampled) : Exact::of(1);
        $sum = static function (callable $of) use ($parts, $stretch, $analyte): ?Figure {
            [$high, $low, $inputs, $interval] = [Exact::zero(), Exact::zero(), [], false];
            foreach ($parts as $part) {
                $figure = $of($part['result']);
                if (!$figure instanceof Figure) {
                    return null;
                }
                $weight = $part['minutes']->times($stretch);
                $high = Real::plus($high, Real::times($figure->value, $weight));
                $low = Real::plus($low, Real::times($figure->floor ?? $figure->value, $weight));
                $interval = $interval || $figure->floor !== null;
                array_push($inputs, $figure, $part['time']);
            }
            $value = Real::by($high, Exact::of(self::EIGHT_HOURS));
            $twa = Figure::derived('TWA', 'time-weighted average over 8 h of '.$analyte->name(), $value, Unit::MilligramPerCubicMetre, SharedEquation::TimeWeightedAverage, $inputs, Digits::significant($value, 3));

            return $interval ? $twa->downTo(Real::by($low, Exact::of(self::EIGHT_HOURS))) : $twa;
        };
        $answers = array_map(static fn (Answer $answer): ?Figure => $sum(static fn (Result $result): ?Figure => $result->answer($answer)), self::ANSWERS);
        // One sample reported at its cautious end makes the whole cautious.
        $reported = array_reduce($parts, static fn (Answer $one, array $part): Answer => $part['result']->reported === Answer::Cautious ? Answer::Cautious : $one, $parts[0]['result']->reported);
        if (array_filter($answers, static fn (?Figure $figure): bool => $figure !== null) === []) {
            // The samples were not closed alike: what each reports is combined.
            $answers[1] = $sum(static fn (Result $result): Figure => $result->reportedFigure());
        }
        $ends = array_values(array_filter([$sum(static fn (Result $result): ?Figure => $result->lowest()), $sum(static fn (Result $result): ?Figure => $result->highest())], static fn (?Figure $figure): bool => $figure !== null));
        $inherited = array_reduce($parts, static fn (Verdict $worst, array $part): Verdict => $worst->worse($part['verdict']), Verdict::Valid);
        $own = $this->own->family;
        \assert($own instanceof SampleResults);
        $notes = ['Stated at '.$own->conditions->name.'.', ...$this->notes($parts, $analyte->analyte, $unsampled, $asTheRest)];
        $key = ($this->policy->choice('unsampledTime') === 'rest') === $asTheRest ? 'twa' : 'twa-other';
        $title = 'TWA over 8 h, '.$analyte->name().($key === 'twa-other' ? ($asTheRest ? ', unsampled time as the rest' : ', unsampled time as zero') : '');

        return new Result($key.':'.$analyte->analyte, $title, $reported, $answers[0], $answers[1], $answers[2], $answers[3], $ends, [], $notes, null, $analyte->analyte, false, $inherited);
    }

    /**
     * Samples that count: of the shift, not void for the substance, with a concentration.
     *
     * @return list<Part>
     */
    private function parts(string $analyte): array
    {
        $parts = [];
        foreach ($this->shift as $assessment) {
            $family = $assessment->family;
            if (!$family instanceof SampleResults || $family->sample->shortTerm) {
                continue;
            }
            $result = $family->result('conc:'.$analyte);
            $verdict = $assessment->verdictOf($analyte);
            if ($result === null || $verdict === Verdict::Void) {
                continue;
            }
            $minutes = Exact::zero();
            foreach ($family->stretches as $stretch) {
                $minutes = $minutes->plus(FlowLine::seconds($stretch->from, $stretch->to)->dividedBy(60));
            }
            if ($minutes->isZero()) {
                continue;
            }
            $parts[] = ['run' => $assessment->run, 'result' => $result, 'minutes' => $minutes, 'time' => Figure::read('t', 'time of '.$assessment->run->id, $minutes, Unit::Minute, new Origin('run', $assessment->run->id, 'running time'), 1), 'verdict' => $verdict];
        }

        return $parts;
    }

    /**
     * @param list<Part> $parts
     *
     * @return list<string>
     */
    private function notes(array $parts, string $analyte, Exact $unsampled, bool $asTheRest): array
    {
        $counted = array_map(static fn (array $part): string => $part['run']->id, $parts);
        $notes = [\sprintf('Made of %s.', implode(', ', array_map(static fn (array $part): string => \sprintf('%s (%s min, %s)', $part['run']->id, $part['minutes']->rounded(0), $part['verdict']->value), $parts)))];
        $left = array_filter($this->shift, static fn (Assessment $one): bool => $one->family instanceof SampleResults && !$one->family->sample->shortTerm && !\in_array($one->run->id, $counted, true));
        foreach ($left as $one) {
            $notes[] = \sprintf('%s is not in it: %s.', $one->run->id, $one->verdictOf($analyte) === Verdict::Void ? 'void, its time counts as not sampled' : 'no concentration of this substance');
        }
        if ($unsampled->compareTo(Exact::zero()) > 0) {
            $notes[] = \sprintf('%s min of %s were not sampled and are taken %s.', $unsampled->rounded(0), $this->shiftMinutes()->rounded(0), $asTheRest ? 'as the rest' : 'as zero');
        }

        return $notes;
    }

    /**
     * The time of the shift that no counting sample covers, min; never below zero.
     *
     * @param list<Part> $parts
     */
    private function unsampled(array $parts): Exact
    {
        $left = $this->shiftMinutes();
        foreach ($parts as $part) {
            $left = $left->minus($part['minutes']);
        }

        return $left->compareTo(Exact::zero()) > 0 ? $left : Exact::zero();
    }

    private function shiftMinutes(): Exact
    {
        $longest = 0.0;
        foreach ($this->shift as $assessment) {
            $longest = max($longest, $assessment->run->shiftMinutes ?? 0.0);
        }

        return Exact::of(number_format($longest > 0 ? $longest : self::EIGHT_HOURS, 6, '.', ''));
    }
}
