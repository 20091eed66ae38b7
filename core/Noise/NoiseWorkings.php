<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\LogColumnKind;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** Works out a noise run: sums, four answers, drift interval and limits. */
final readonly class NoiseWorkings
{
    private AcousticResponse $response;

    public OffsetAnswers $answers;

    private ?OffsetLine $line;

    /** @var array<string, list<OffsetKnot>> what further tones showed, by the words of each */
    private array $further;

    /** The part of the run that stands, without the delay that it began with. */
    public Span $window;

    /** @var list<DoseCriterion> */
    private array $criteria;

    private ?Figure $largestEver;

    /**
     * @param bool  $daily whether the run stands for a working day: doses and daily exposure
     * @param float $delay seconds after the start in which nothing counts
     */
    public function __construct(
        private Run $run,
        private Bracket $bracket,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
        private bool $daily = true,
        private float $delay = 0.0,
    ) {
        $this->response = new AcousticResponse();
        $this->window = $this->window();
        $this->line = $this->cutLine($this->response->line($bracket, $timeline));
        $this->criteria = !$daily ? [] : array_values(array_filter($yardsticks->criteria, static fn ($criterion): bool => $criterion instanceof DoseCriterion));
        $this->largestEver = AcousticHistory::of($timeline, $bracket->post->at ?? $run->stop ?? $run->start)->largestDrift();
        $this->further = $this->response->further($bracket, $timeline);
        $this->answers = new OffsetAnswers($policy->reportedAnswer('offset'), $this->line, array_merge(...array_values($this->further)), $bracket, $this->window, $this->largestEver);
    }

    public function results(): NoiseResults
    {
        $content = $this->run->content;
        $log = $content instanceof NoiseRecord ? $content->log : null;
        $totals = $content instanceof NoiseRecord ? $content->totals : null;

        $survey = LogSurvey::none();
        $results = [];
        $doubts = [];
        $gaps = null;
        $leftOut = [];
        $seconds = $this->run->runningSeconds();
        if ($this->run->stop !== null && $log !== null) {
            $survey = LogSurvey::of($log, $this->run, $this->timeline->instrument, $this->calibratorLevels(), $this->policy);
            [$results, $doubts, $gaps, $leftOut, $seconds] = $this->fromLog($log, $content->logName, $survey);
        } elseif ($this->run->stop !== null && $totals !== null) {
            $results = $this->fromTotals($totals);
        }
        $judged = array_map(fn (SolvableResult $worked): Result => $this->answers->judged($worked, $this->yardsticks->limits), $results);

        return new NoiseResults(
            $judged,
            AcousticResponse::drifts($this->line, $this->representative() === null ? $this->further : []),
            $this->line,
            $survey,
            $doubts,
            $gaps,
            $this->largestEver,
            AcousticHistory::of($this->timeline, $this->run->stop ?? $this->run->start)->adjustmentSince($this->timeline->instrument->certifiedSince($this->run->start)),
            $this->representative(),
            $leftOut,
            $seconds,
            $this->timeline,
        );
    }

    /** @return array{\Footnote\Core\Evidence\Check, Span}|null */
    private function representative(): ?array
    {
        foreach ($this->bracket->between as $check) {
            if ($this->run->declaration?->check === $check->id) {
                return [$check, new Span($this->run->start, $check->at)];
            }
        }

        return null;
    }

    private function window(): Span
    {
        [$from, $to] = [Span::shift($this->run->start, $this->delay), $this->run->stop ?? $this->run->start];

        return $this->representative()[1] ?? new Span($this->delay > 0.0 && $from < $to ? $from : $this->run->start, $to);
    }

    /** Without what lies behind the segment that a person declared representative. */
    private function cutLine(?OffsetLine $line): ?OffsetLine
    {
        $cut = $this->representative();
        if ($cut === null || $line === null) {
            return $line;
        }
        $knots = array_values(array_filter($line->knots, static fn (OffsetKnot $knot): bool => $knot->at < $cut[1]->to || ($knot->check === $cut[0]->id && !$knot->asLeft)));

        return $knots === [] ? null : new OffsetLine($knots);
    }

    /** @return list<float> */
    private function calibratorLevels(): array
    {
        $levels = [];
        foreach ($this->timeline->checks as $check) {
            if ($check->content instanceof AcousticCheck) {
                foreach ($check->content->tones() as $tone) {
                    $levels[$tone->nominal->written] = $tone->nominal->value->toFloat();
                }
            }
        }

        return array_values($levels);
    }

    /** @return array{list<SolvableResult>, list<string>, float, list<Span>, float} */
    private function fromLog(SeriesLog $log, string $name, LogSurvey $survey): array
    {
        $clock = new LogClock($log, $this->run);
        $leftOut = [
            ...array_map(static fn (Tone $tone): Span => $tone->span, $survey->tones),
            ...$this->run->pauses,
            ...array_map(static fn ($exclusion): Span => $exclusion->span, $this->run->exclusions),
        ];
        $leftOut = array_values(array_filter($leftOut, fn (Span $span): bool => $span->overlaps($this->window)));
        $whole = $clock->within($this->window);
        $ranges = LogRanges::less($whole, array_map($clock->touching(...), $leftOut));
        $columns = $log->columns();
        $results = [];
        $doubts = [];
        $gapShare = 1.0;
        $seconds = 0.0;

        $place = LogSurvey::column($log, ...LogColumnKind::SUMMED);
        if ($place !== null) {
            $column = $columns[$place];
            $histogram = LevelHistogram::of($log, $place, $ranges);
            $seconds = $histogram->samples * $log->step();
            $gapShare = $clock->missing($this->window, $histogram->gaps);
            $moves = $this->line !== null && !$this->line->isConstant();
            $moving = $moves ? MovingSums::of($log, $place, $ranges, $clock, $this->line, $this->withoutOwnThreshold($column)) : null;
            $origin = new Origin('log', $this->run->id, \sprintf('%s, %s of %s levels every %s s', $name, number_format($histogram->samples, 0, '.', ' '), number_format($log->length(), 0, '.', ' '), rtrim(rtrim(number_format($log->step(), 3, '.', ''), '0'), '.')));
            $source = Figure::read('L_i', $column->kind->words(), $histogram->equivalentLevel(), Unit::DecibelA, $origin, 1);
            $duration = Figure::read('t', 'time that the sums rest on', $seconds / 3600, Unit::Hour, $origin, 3);

            $fitness = ColumnFitness::forEquivalentLevel($column);
            if ($fitness->usable && $histogram->samples > 0) {
                $level = Figure::derived('L_Aeq', 'equivalent level', $histogram->equivalentLevel(), Unit::DecibelA, NoiseEquation::EquivalentLevel, [$source, $duration]);
                $results[] = $this->answers->level('laeq', 'Equivalent level', $level, $moving?->equivalentLevel);
                if ($this->daily) {
                    $results[] = $this->dailyExposure($level, $moving?->equivalentLevel, $seconds);
                }
            }
            if ($fitness->doubt !== null) {
                $doubts[] = $fitness->doubt;
            }
            foreach ($this->withoutOwnThreshold($column) as $criterion) {
                $fitness = ColumnFitness::forDose($column, $log->step(), $this->criterion($criterion->id));
                if ($fitness->doubt !== null) {
                    $doubts[] = $fitness->doubt;
                }
                if ($fitness->usable && $histogram->samples > 0) {
                    $dose = Figure::derived('D', 'dose, '.$criterion->name, $histogram->dose($criterion, $log->step()), Unit::Percent, NoiseEquation::Dose, [$source, $duration, ...$this->figures($this->criterion($criterion->id))]);
                    $results = [...$results, ...$this->doseResults($criterion, $dose, $seconds / 3600, static fn (float $offset): float => $histogram->dose($criterion, $log->step(), $offset), $moving?->doses[$criterion->id] ?? null)];
                }
            }
        }
        foreach ([[LogColumnKind::Peak, 'lcpeak', 'L_Cpeak', 'Highest C-weighted peak', Unit::DecibelC], [LogColumnKind::Maximum, 'lasmax', 'L_ASmax', 'Highest slow level', Unit::DecibelA]] as [$kind, $key, $symbol, $title, $unit]) {
            $place = LogSurvey::column($log, $kind);
            $top = $place === null ? null : LevelHistogram::of($log, $place, $ranges)->highest();
            if ($place !== null && $top !== null) {
                $level = Figure::read($symbol, lcfirst($title), Exact::of($top)->dividedBy(1000), $unit, new Origin('log', $this->run->id, $name.', highest of the run'));
                $between = $this->line !== null && !$this->line->isConstant() ? MovingSums::highest($log, $place, $top, $ranges, $clock, $this->line) : null;
                $results[] = $this->answers->level($key, $title, $level, $between);
            }
        }

        return [$results, array_values(array_unique($doubts)), $gapShare, $leftOut, $seconds];
    }

    /** @return list<SolvableResult> */
    private function fromTotals(NoiseTotals $totals): array
    {
        $results = [];
        $seconds = $this->run->runningSeconds();
        if ($totals->equivalentLevel !== null) {
            $level = $this->typed('L_Aeq', 'equivalent level', $totals->equivalentLevel, Unit::DecibelA);
            $between = $this->answers->betweenLevel($level->toFloat());
            $results[] = $this->answers->level('laeq', 'Equivalent level', $level, $between);
            if ($this->daily) {
                $results[] = $this->dailyExposure($level, $between, $seconds);
            }
        }
        foreach ($this->criteria as $criterion) {
            $reading = $totals->doses[$criterion->id] ?? null;
            if ($reading === null) {
                continue;
            }
            $dose = Figure::read('D', 'dose, '.$criterion->name, $reading->value->value, Unit::Percent, $this->origin($reading->provenance->words()), max(1, $reading->value->decimals()));
            $indicated = $dose->toFloat();
            $between = $this->line === null || $this->line->isConstant() ? null
                : $indicated * $this->line->meanFactor(log(2) / $criterion->q(), $this->window);
            $results = [...$results, ...$this->doseResults($criterion, $dose, $seconds / 3600, static fn (float $offset): float => $indicated * $criterion->factor($offset), $between)];
        }
        foreach ([['lcpeak', 'L_Cpeak', 'Highest C-weighted peak', $totals->peak, Unit::DecibelC], ['lasmax', 'L_ASmax', 'Highest slow level', $totals->slowMaximum, Unit::DecibelA]] as [$key, $symbol, $title, $reading, $unit]) {
            if ($reading !== null) {
                $results[] = $this->answers->level($key, $title, $this->typed($symbol, lcfirst($title), $reading, $unit), null);
            }
        }

        return $results;
    }

    private function dailyExposure(Figure $level, ?float $betweenLevel, float $seconds): SolvableResult
    {
        $hours = $this->run->shiftMinutes !== null ? $this->run->shiftMinutes / 60 : $seconds / 3600;
        $duration = Figure::read('T_e', $this->run->shiftMinutes !== null ? 'working day that the run stands for' : 'time measured, taken as the working day', $hours, Unit::Hour, $this->origin($this->run->shiftMinutes !== null ? 'stated with the run' : 'no working day was stated'), 2);
        $gain = $hours > 0 ? 10 * log10($hours / DoseCriterion::HOURS) : -\INF;
        $daily = Figure::derived('L_EX,8h', 'daily noise exposure level', $level->toFloat() + $gain, Unit::DecibelA, NoiseEquation::DailyExposure, [$level, $duration]);
        $u2 = MeasurementUncertainty::CLASS_2;
        $uncertainty = Figure::derived('U', 'expanded uncertainty of the instrument only, one-sided 95 %', MeasurementUncertainty::COVERAGE * sqrt($u2 ** 2 + MeasurementUncertainty::POSITION ** 2), Unit::Decibel, NoiseEquation::Uncertainty, [MeasurementUncertainty::instrument($u2), MeasurementUncertainty::position()], 2);
        $result = $this->answers->level('lex8h', 'Daily noise exposure level', $daily, $betweenLevel === null ? null : $betweenLevel + $gain);

        return $result->withUncertainty($uncertainty, 'The uncertainty is of the instrument only. How the work varies from day to day and person to person is not in it: that needs several days or samples.');
    }

    /**
     * Dose, TWA, L_avg and projected dose of one criterion.
     *
     * @param \Closure(float): float $at dose with a constant offset taken out
     *
     * @return list<SolvableResult>
     */
    private function doseResults(DoseCriterion $criterion, Figure $dose, float $hours, \Closure $at, ?float $between): array
    {
        $results = [$this->answers->of('dose:'.$criterion->id, 'Dose, '.$criterion->name, $dose, $at, $between)];
        $time = Figure::read('t', 'time that the dose rests on', $hours, Unit::Hour, $this->origin('start, stop, pauses and what was left out'), 3);
        $constants = $this->figures($this->criterion($criterion->id));
        $results[] = $this->fromDose($criterion, $dose, $at, $between, 'twa', 'TWA, '.$criterion->name, 'TWA', Unit::DecibelA, NoiseEquation::TimeWeightedAverage, $constants, $criterion->timeWeightedAverage(...));
        $results[] = $this->fromDose($criterion, $dose, $at, $between, 'lavg', 'Average level, '.$criterion->name, 'L_avg', Unit::DecibelA, NoiseEquation::AverageLevel, [$time, ...$constants], static fn (float $d): float => $criterion->averageLevel($d, $hours));
        if ($this->run->shiftMinutes !== null && $hours > 0) {
            $shift = $this->run->shiftMinutes / 60;
            $results[] = $this->fromDose($criterion, $dose, $at, $between, 'projected', 'Projected dose, '.$criterion->name, 'D_proj', Unit::Percent, NoiseEquation::ProjectedDose, [$time, Figure::read('T_shift', 'working day', $shift, Unit::Hour, $this->origin('stated with the run'), 2)], static fn (float $d): float => $d * $shift / $hours);
        }

        return $results;
    }

    /**
     * A quantity that follows from a dose, with all its answers.
     *
     * @param \Closure(float): float $at     dose with a constant offset taken out
     * @param list<Figure>           $inputs
     * @param \Closure(float): float $of     the quantity from a dose
     */
    private function fromDose(DoseCriterion $criterion, Figure $dose, \Closure $at, ?float $between, string $key, string $title, string $symbol, Unit $unit, NoiseEquation $equation, array $inputs, \Closure $of): SolvableResult
    {
        $indicated = Figure::derived($symbol, str_starts_with($title, 'TWA') ? $title : lcfirst($title), $of($dose->toFloat()), $unit, $equation, [$dose, ...$inputs]);

        return $this->answers->of($key.':'.$criterion->id, $title, $indicated, static fn (float $offset): float => $of($at($offset)), $between === null ? null : $of($between));
    }

    /**
     * The campaign's criteria; for a column of averages without their threshold, which the unit has applied already.
     *
     * @return list<DoseCriterion>
     */
    private function withoutOwnThreshold(LogColumn $column): array
    {
        return $column->kind !== LogColumnKind::Average ? $this->criteria : array_map(
            static fn (DoseCriterion $criterion): DoseCriterion => new DoseCriterion($criterion->id, $criterion->name, $criterion->level, $criterion->exchangeRate, null, $criterion->source, $criterion->mark),
            $this->criteria,
        );
    }

    private function criterion(string $id): DoseCriterion
    {
        foreach ($this->criteria as $criterion) {
            if ($criterion->id === $id) {
                return $criterion;
            }
        }

        throw new \LogicException('Results are made of the campaign\'s own criteria.');
    }

    /** @return list<Figure> */
    private function figures(DoseCriterion $criterion): array
    {
        $origin = new Origin('criterion', $criterion->id, $criterion->source.' ('.$criterion->mark->value.')');
        $figures = [
            Figure::read('L_c', 'criterion level', $criterion->level->value, Unit::DecibelA, $origin, 0),
            Figure::read('q', 'exchange rate', $criterion->exchangeRate->value, Unit::Decibel, $origin, 0),
        ];
        if ($criterion->threshold !== null) {
            $figures[] = Figure::read('L_thr', 'threshold', $criterion->threshold->value, Unit::DecibelA, $origin, 0);
        }

        return $figures;
    }

    private function typed(string $symbol, string $meaning, \Footnote\Core\Evidence\Reading $reading, Unit $unit): Figure
    {
        return Figure::read($symbol, $meaning, $reading->value->value, $unit, $this->origin($reading->provenance->words()), max(1, $reading->value->decimals()));
    }

    private function origin(string $note): Origin
    {
        return new Origin('run', $this->run->id, $note);
    }
}
