<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Tallying;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Alteration;
use Footnote\Core\Judgement\AlterationKind;
use Footnote\Core\Judgement\Altered;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\LogAlterations;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogColumn;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;
use Footnote\Core\Response\RecallError;

/** Works out a noise run: sums, four answers, what was removed, drift interval and limits. */
final readonly class NoiseWorkings
{
    private const CROSSING = 'since a dose total with a threshold cannot be shifted by a factor,';
    /** Beginnings of the keys of what is made of a dose. */
    private const OF_DOSE = ['dose', 'twa', 'lavg', 'projected'];

    private AcousticResponse $response;
    public OffsetAnswers $answers;
    private ?OffsetLine $line;
    /** @var array<array-key, list<OffsetKnot>> what further tones showed, by the words of each */
    private array $further;
    private Bracket $bracket;

    /** Up to where its checks bear on the run. */
    private \DateTimeImmutable $known;
    private ?Segment $segment;
    /** The part of the run that stands, without the delay that it began with. */
    public Span $window;
    /** @var list<Span> in which it ran, within the window */
    public array $stretches;
    /** @var list<DoseCriterion> */
    private array $criteria;
    private ?Figure $largestEver;
    /** The unit as if no reference had been recalled. */
    private Timeline $asCertified;

    private ?OffsetLine $lineAsCertified;

    private LeftOff $left;

    /**
     * @param Bracket $whole as it was found; a declared segment closes it earlier
     * @param bool    $daily whether the run stands for a working day: doses and daily exposure
     * @param float   $delay seconds after the start in which nothing counts
     */
    public function __construct(
        private Run $run,
        Bracket $whole,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
        private bool $daily = true,
        private float $delay = 0.0,
    ) {
        $this->response = new AcousticResponse();
        $this->segment = Segment::of($run, $whole, Sound::heard($run)?->log !== null, $this->fails(...));
        $this->bracket = $this->segment->bracket ?? $whole;
        $this->known = $whole->end();
        $this->window = $this->window();
        $this->stretches = array_values(
            array_filter(array_map(fn (Span $span): ?Span => $span->within($this->window), $run->runningSpans())),
        );
        $this->line = $this->response->line($this->bracket, $timeline);
        $this->criteria = !$daily
            ? []
            : array_values(array_filter($yardsticks->criteria, static fn ($criterion): bool => $criterion instanceof DoseCriterion));
        $this->largestEver = AcousticHistory::of(
            $timeline,
            $this->bracket->post->at ?? $run->timing->stop ?? $run->timing->start,
        )->largestDrift();
        $this->further = $this->response->further($this->bracket, $timeline);
        // Whoever set the unit by a calibrator that was wrong did it right; the error is taken out by its own rule.
        $this->asCertified = $timeline->taking(RecallTaken::Nothing);
        $this->lineAsCertified = $this->asCertified === $timeline ? $this->line : $this->response->line($this->bracket, $this->asCertified);
        $this->left = LeftOff::of($this->bracket, $this->asCertified, $this->lineAsCertified);
        $set = $this->bracket->checks()[0] ?? null;
        $this->answers = new OffsetAnswers(
            $this->reported(),
            new OffsetEvidence(
                $this->line,
                array_merge(...array_values($this->further)),
                $this->largestEver,
                $set === null ? null : RecallError::of($timeline->referenceOf($set), $set->at),
            ),
            $this->bracket,
            $this->window,
            $this->stretches,
            $this->doubts(),
        );
    }

    public function results(): NoiseResults
    {
        $heard = Sound::heard($this->run) ?? new NoiseRecord(null, null);
        $log = $heard->log;
        $totals = $heard->totals;
        $survey = LogSurvey::none();
        $results = [];
        $doubts = [];
        $gaps = null;
        $alterations = [];
        $leftOut = [];
        $seconds = $this->seconds();
        if ($this->run->timing->stop !== null && $log !== null) {
            $survey = LogSurvey::of(
                $log,
                $this->run,
                $this->timeline,
                ToneLevels::of(Tallying::upTo($this->known, new AcousticFold(), $this->asCertified), $this->lineAsCertified),
                $this->policy,
            );
            $alterations = $this->alterations($survey, $log);
            $leftOut = LogAlterations::taken($alterations);
            $sums = $this->fromLog($log, $heard->logName, $survey, $leftOut);
            $doubts = $sums->doubts;
            $gaps = $sums->gapShare;
            $seconds = $sums->seconds;
            $otherwise = LogAlterations::otherwise(
                $alterations,
                fn (array $out): array => array_map(
                    static fn (SolvableResult $one): Result => $one->result,
                    $this->fromLog($log, $heard->logName, $survey, $out)->results,
                ),
            );
            $results = array_map(
                static fn (SolvableResult $one): SolvableResult => $one->altered(...$otherwise($one->result)),
                $sums->results,
            );
        } elseif ($this->run->timing->stop !== null && $totals !== null) {
            $results = $this->fromTotals($totals);
            $alterations = LogAlterations::notApplied($this->run);
        }
        $judged = array_map(fn (SolvableResult $worked): Result => $this->answers->judged($worked, $this->yardsticks->limits), $results);

        $history = AcousticHistory::of($this->timeline, $this->run->timing->stop ?? $this->run->timing->start);
        $drifts = AcousticResponse::drifts($this->line, $this->further);

        return new NoiseResults(
            new WorkedOut($judged, $drifts, $alterations, $this->segment, $leftOut),
            new OffsetFindings(
                $this->line,
                $this->largestEver,
                $history->adjustmentSince($this->timeline->instrument->certifiedSince($this->run->timing->start)),
                $this->left,
            ),
            new LogFindings($survey, $doubts, $gaps, $seconds),
            $this->timeline,
        );
    }

    /** Whether the unit moved more along a bracket than the policy allows, at any of its tones. */
    private function fails(Bracket $bracket): bool
    {
        $limit = $this->policy->limit('noise.drift', 'drift');

        return $limit?->isKeptBySizes(
            AcousticResponse::drifts($this->response->line($bracket, $this->timeline), $this->response->further($bracket, $this->timeline)),
        ) === false;
    }

    private function window(): Span
    {
        $from = Span::shift($this->run->timing->start, $this->delay);
        $to = $this->segment->span->to ?? $this->run->timing->stop ?? $this->run->timing->start;

        return new Span($this->delay > 0.0 && $from < $to ? $from : $this->run->timing->start, $to);
    }

    /** Seconds in which it measured, by the clock. */
    private function seconds(): float
    {
        return (float) array_sum(array_map(static fn (Span $span): float => $span->seconds(), $this->stretches));
    }

    /** A unit that went out off the level is set right along the bracket, whatever the policy reports otherwise. */
    private function reported(): Answer
    {
        $limit = $this->policy->limit(LeftOff::RULE, 'off');
        $answer = $this->policy->reportedAnswer('offset');

        return $limit === null || $answer !== Answer::Indicated || $this->left->beyond($limit) === []
            ? $answer
            : (\count($this->line->knots ?? []) > 1 ? Answer::Between : Answer::Pre);
    }

    /** @return list<string> why no statement about a limit is robust, whatever its values */
    private function doubts(): array
    {
        $hangs = array_filter(
            $this->bracket->checks(),
            fn (Check $check): bool => AcousticResponse::hangsOnFactor($check, $this->timeline->instrument),
        );

        return $hangs === []
            ? []
            : ['what the stored factor of the unit is was not said: added to the reading, or a sensitivity, which counts the other way'];
    }

    /** @return list<Alteration> what is taken out of the log, or could be */
    private function alterations(LogSurvey $survey, SeriesLog $log): array
    {
        $looks = array_map(
            static fn (Tone $tone): Alteration => new Alteration(
                $tone->kind,
                $tone->words(),
                $tone->why,
                'noise.tone-removed',
                $tone->span,
            ),
            $survey->tones,
        );

        return LogAlterations::of($this->run, $this->window, $looks, $log->remarks());
    }

    /** @param list<Span> $leftOut */
    private function fromLog(SeriesLog $log, string $name, LogSurvey $survey, array $leftOut): LogSums
    {
        $clock = new LogClock($log, $this->run);
        $whole = $clock->within($this->window);
        $ranges = LogRanges::less($whole, array_map($clock->touching(...), $leftOut));
        $columns = $log->columns();
        $results = [];
        $doubts = [];
        $gapShare = 1.0;
        $seconds = 0.0;
        // What was driven beyond its range is at least what it shows.
        $over = array_filter($survey->overloads, static fn (Span $span): bool => LogRanges::meet($ranges, $clock->touching($span))) !== []
            ? Bound::AtLeast
            : null;
        $place = LogSurvey::column($log, ...LevelColumn::SUMMED);
        if ($place !== null) {
            $column = $columns[$place];
            $histogram = LevelHistogram::of($log, $place, $ranges);
            $seconds = $histogram->samples * $log->step();
            $gapShare = $clock->missing($this->window, $leftOut, $histogram->gaps);
            $moves = $this->line !== null && !$this->line->isConstant();
            $moving = $moves ? MovingSums::of($log, $place, $ranges, $clock, $this->line, $this->withoutOwnThreshold($column)) : null;
            $origin = new Origin(
                'log',
                $this->run->id,
                \sprintf(
                    '%s, %s of %s levels every %s s',
                    $name,
                    number_format($histogram->samples, 0, '.', ' '),
                    number_format($log->length(), 0, '.', ' '),
                    Digits::trimmed($log->step(), 3),
                ),
            );
            $source = Figure::read('L_i', $column->kind->words(), $histogram->equivalentLevel(), LevelUnit::DecibelA, $origin, 1);
            $duration = Figure::read('t', 'time that the sums rest on', $seconds / 3600, CommonUnit::Hour, $origin, 3);
            $fitness = ColumnFitness::forEquivalentLevel($column);
            if ($fitness->usable && $histogram->samples > 0) {
                $level = Figure::derived(
                    'L_Aeq',
                    'equivalent level',
                    $histogram->equivalentLevel(),
                    LevelUnit::DecibelA,
                    NoiseEquation::EquivalentLevel,
                    [$source, $duration],
                )->bounded($over);
                $results[] = $this->answers->level('laeq', 'Equivalent level', $level, $moving?->equivalentLevel);
                if ($this->daily) {
                    $results[] = $this->dailyExposure($level, $moving?->equivalentLevel, $seconds);
                }
            }
            if ($fitness->doubt !== null) {
                $doubts[] = new Doubt($fitness->doubt, $fitness->usable ? ['laeq', 'lex8h'] : []);
            }
            foreach ($this->withoutOwnThreshold($column) as $criterion) {
                $fitness = ColumnFitness::forDose($column, $log->step(), $this->criterion($criterion->id));
                if ($fitness->doubt !== null) {
                    $doubts[] = new Doubt(
                        $fitness->doubt,
                        $fitness->usable ? array_map(static fn (string $kind): string => $kind.':'.$criterion->id, self::OF_DOSE) : [],
                    );
                }
                if ($fitness->usable && $histogram->samples > 0) {
                    $dose = Figure::derived(
                        'D',
                        'dose, '.$criterion->name,
                        $histogram->dose($criterion, $log->step()),
                        CommonUnit::Percent,
                        NoiseEquation::Dose,
                        [$source, $duration, ...$this->figures($this->criterion($criterion->id))],
                    )->bounded($over);
                    $results = [
                        ...$results,
                        ...$this->doseResults(
                            $criterion,
                            $dose,
                            $seconds / 3600,
                            static fn (float $offset): float => $histogram->dose($criterion, $log->step(), $offset),
                            $moving?->doses[$criterion->id] ?? null,
                        ),
                    ];
                }
            }
        }
        foreach ([
            [LevelColumn::Peak, 'lcpeak', 'L_Cpeak', 'Highest C-weighted peak', LevelUnit::DecibelC],
            [LevelColumn::Maximum, 'lasmax', 'L_ASmax', 'Highest slow level', LevelUnit::DecibelA],
        ] as [$kind, $key, $symbol, $title, $unit]) {
            $place = LogSurvey::column($log, $kind);
            $top = $place === null ? null : LevelHistogram::of($log, $place, $ranges)->highest();
            if ($place !== null && $top !== null) {
                $level = Figure::read(
                    $symbol,
                    lcfirst($title),
                    Exact::of($top)->dividedBy(1000),
                    $unit,
                    new Origin('log', $this->run->id, $name.', highest of the run'),
                )->bounded($over);
                $between = $this->line !== null && !$this->line->isConstant()
                    ? MovingSums::highest($log, $place, $top, $ranges, $clock, $this->line)
                    : null;
                $results[] = $this->answers->level($key, $title, $this->withinRange($level, $key), $between);
            }
        }

        return new LogSums($results, $doubts, $gapShare, $seconds);
    }

    /** A peak at the end of the unit's range, or beyond it, is at least what it shows. */
    private function withinRange(Figure $level, string $key): Figure
    {
        $traits = $this->timeline->instrument->traits;
        $range = $key === 'lcpeak' ? ($traits->decimal('peakRange') ?? $traits->decimal('rangeHigh')) : $traits->decimal('rangeHigh');

        return $range !== null && Real::compare($level->value, $range->value) >= 0 ? $level->bounded(Bound::AtLeast) : $level;
    }

    /** @return list<SolvableResult> */
    private function fromTotals(NoiseTotals $totals): array
    {
        $results = [];
        $seconds = $this->seconds();
        $level = null;
        if ($totals->equivalentLevel !== null) {
            $level = $this->typed('L_Aeq', 'equivalent level', $totals->equivalentLevel, LevelUnit::DecibelA);
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
            $dose = Figure::read(
                'D',
                'dose, '.$criterion->name,
                $reading->value->value,
                CommonUnit::Percent,
                $this->origin($reading->provenance->words()),
                max(1, $reading->value->decimals()),
            );
            $indicated = $dose->toFloat();
            $between = $this->line === null || $this->line->isConstant() ? null
                : $indicated * $this->line->meanFactor(log(2) / $criterion->q(), $this->stretches);
            $results = [
                ...$results,
                ...$this->doseResults(
                    $criterion,
                    $dose,
                    $seconds / 3600,
                    static fn (float $offset): float => $indicated * $criterion->factor($offset),
                    $between,
                    $this->shiftOfTotal($criterion, $indicated, $level?->toFloat(), $seconds / 3600),
                ),
            ];
        }
        foreach ([
            ['lcpeak', 'L_Cpeak', 'Highest C-weighted peak', $totals->peak, LevelUnit::DecibelC],
            ['lasmax', 'L_ASmax', 'Highest slow level', $totals->slowMaximum, LevelUnit::DecibelA],
        ] as [$key, $symbol, $title, $reading, $unit]) {
            if ($reading !== null) {
                $results[] = $this->answers->ofUnknownMoment(
                    $key,
                    $title,
                    $this->withinRange($this->typed($symbol, lcfirst($title), $reading, $unit), $key),
                );
            }
        }

        return $results;
    }

    /**
     * A dose known as a total with a threshold cannot be shifted by a factor: levels cross the threshold. Where the unit read
     * low it is at least what was counted, shifted, and at most what the equivalent level gives without a threshold; where it
     * read high it is at most what was counted, shifted.
     *
     * @param float|null $level L_Aeq as the unit showed it; null where it was not read
     *
     * @return (\Closure(float): array{float, float|null})|null lower and upper end, %, with a constant offset taken out; no upper end: null
     */
    private function shiftOfTotal(DoseCriterion $criterion, float $indicated, ?float $level, float $hours): ?\Closure
    {
        return $criterion->threshold === null ? null : static function (float $offset) use ($criterion, $indicated, $level, $hours): array {
            $shifted = $indicated * $criterion->factor($offset);
            if ($offset >= 0.0) {
                return [$offset > 0.0 ? 0.0 : $shifted, $shifted];
            }

            return [$shifted, $level === null ? null : max($shifted, 100 * $hours / $criterion->allowedHours($level - $offset))];
        };
    }

    private function dailyExposure(Figure $level, ?float $betweenLevel, float $seconds): SolvableResult
    {
        $stated = $this->run->day->minutes;
        $sampled = $seconds / 3600;
        $hours = $stated !== null ? $stated / 60 : $sampled;
        $gain = static fn (float $hours): float => $hours > 0 ? 10 * log10($hours / DoseCriterion::HOURS) : -\INF;
        $rest = $stated !== null && $hours > $sampled + 1 / 3600 && $this->run->day->rest?->asSampled === false;
        $made = function (float $hours, string $meaning, string $note) use ($level, $gain): Figure {
            $duration = Figure::read('T_e', $meaning, $hours, CommonUnit::Hour, $this->origin($note), 2);

            return Figure::derived(
                'L_EX,8h',
                'daily noise exposure level',
                $level->toFloat() + $gain($hours),
                LevelUnit::DecibelA,
                NoiseEquation::DailyExposure,
                [$level, $duration],
            )->bounded($level->known->bound);
        };
        $whole = $made(
            $hours,
            $stated !== null ? 'working day that the run stands for' : 'time measured, taken as the working day',
            $stated !== null ? 'stated with the run' : 'no working day was stated',
        );
        $alone = $made($sampled, 'time measured, the rest of the day without exposure', 'start, stop, pauses and what was left out');
        $u2 = MeasurementUncertainty::CLASS_2;
        $uncertainty = Figure::derived(
            'U',
            'expanded uncertainty of the instrument only, one-sided 95 %',
            MeasurementUncertainty::COVERAGE * sqrt($u2 ** 2 + MeasurementUncertainty::POSITION ** 2),
            LevelUnit::Decibel,
            NoiseEquation::Uncertainty,
            [MeasurementUncertainty::instrument($u2), MeasurementUncertainty::position()],
            2,
        );
        [$daily, $te] = $rest ? [$alone, $sampled] : [$whole, $hours];
        $result = $this->answers->level(
            'lex8h',
            'Daily noise exposure level',
            $daily,
            $betweenLevel === null ? null : $betweenLevel + $gain($te),
        );
        if ($stated === null) {
            $result = $result->altered(
                new Altered(
                    new Alteration(
                        AlterationKind::Assumed,
                        'the working day',
                        'no working day was stated: the time measured is taken for it',
                        'noise',
                    ),
                    null,
                ),
            );
        } elseif ($this->run->day->rest !== null) {
            $result = $result->noting($this->run->day->rest->words());
        } elseif (abs($hours - $sampled) > 1 / 3600) {
            $result = $result->or(
                $hours > $sampled
                    ? Coverage::AS_NOTHING
                    : 'over the time measured, which is longer than the working day stated',
                $alone,
            );
        }

        return $result->covering(Coverage::of($seconds, $stated, $this->run->day->rest))->withUncertainty(
            $uncertainty,
            'The uncertainty is of the instrument only. How the work varies from day to day and person to person is '
                .'not in it: that needs several days or samples.',
        );
    }

    /**
     * Dose, TWA, L_avg and projected dose of one criterion.
     *
     * @param \Closure(float): float                              $at   dose with a constant offset taken out
     * @param (\Closure(float): array{float, float|null})|null    $ends lower and upper end where it is only known between two
     *
     * @return list<SolvableResult>
     */
    private function doseResults(
        DoseCriterion $criterion,
        Figure $dose,
        float $hours,
        \Closure $at,
        ?float $between,
        ?\Closure $ends = null,
    ): array {
        $worked = $this->answers->of(
            'dose:'.$criterion->id,
            'Dose, '.$criterion->name,
            $dose,
            $at,
            $between,
        )->asDose($criterion->slope())->or(
            self::CROSSING,
            $ends === null ? null : $this->answers->within($dose, $ends),
        );
        $shift = ($this->run->day->minutes ?? 0.0) / 60;
        $part = $hours > 0 && $shift > $hours + 1 / 3600 ? $shift / $hours : 1.0;
        $scaled = static fn (Figure $one, float $by): Figure => Figure::derived(
            $one->symbol,
            $one->meaning.', the rest of the day as sampled',
            $one->toFloat() * $by,
            $one->unit,
            NoiseEquation::ProjectedDose,
            [$one],
            $one->decimals,
        )->bounded($one->known->bound);
        if ($this->run->day->rest?->asSampled === true && $part > 1.0) {
            $worked = $worked->noting($this->run->day->rest->words());
        }
        $whole = $part > 1.0 && $this->run->day->rest?->asSampled !== false ? $scaled($worked->result->reportedFigure(), $part) : null;
        $worked = $worked->or(Coverage::AS_SAMPLED, $whole);
        $coverage = Coverage::of($hours * 3600, $this->run->day->minutes, $this->run->day->rest);
        $results = [$worked->covering($coverage)];
        $time = Figure::read(
            't',
            'time that the dose rests on',
            $hours,
            CommonUnit::Hour,
            $this->origin('start, stop, pauses and what was left out'),
            3,
        );
        $constants = $this->figures($this->criterion($criterion->id));
        $results[] = $this->fromDose(
            $criterion,
            $dose,
            $at,
            $between,
            'twa',
            'TWA, '.$criterion->name,
            'TWA',
            LevelUnit::DecibelA,
            NoiseEquation::TimeWeightedAverage,
            $constants,
            $criterion->timeWeightedAverage(...),
            $ends,
        )->covering($coverage)->or(Coverage::AS_SAMPLED, $whole === null ? null : Figure::derived(
            'TWA',
            'TWA, '.$criterion->name.', the rest of the day as sampled',
            $criterion->timeWeightedAverage($whole->toFloat()),
            LevelUnit::DecibelA,
            NoiseEquation::TimeWeightedAverage,
            [$whole, ...$constants],
        )->bounded($whole->known->bound));
        $results[] = $this->fromDose(
            $criterion,
            $dose,
            $at,
            $between,
            'lavg',
            'Average level, '.$criterion->name,
            'L_avg',
            LevelUnit::DecibelA,
            NoiseEquation::AverageLevel,
            [$time, ...$constants],
            static fn (float $d): float => $criterion->averageLevel($d, $hours),
            $ends,
        );
        if ($this->run->day->minutes !== null && $hours > 0) {
            $results[] = $this->fromDose(
                $criterion,
                $dose,
                $at,
                $between,
                'projected',
                'Projected dose, '.$criterion->name,
                'D_proj',
                CommonUnit::Percent,
                NoiseEquation::ProjectedDose,
                [$time, Figure::read('T_shift', 'working day', $shift, CommonUnit::Hour, $this->origin('stated with the run'), 2)],
                static fn (float $d): float => $d * $shift / $hours,
                $ends,
            )->asDose($criterion->slope());
        }

        return $results;
    }

    /**
     * A quantity that follows from a dose, with all its answers.
     *
     * @param \Closure(float): float $at     dose with a constant offset taken out
     * @param list<Figure>           $inputs
     * @param \Closure(float): float $of     the quantity from a dose
     * @param (\Closure(float): array{float, float|null})|null $ends of the dose
     */
    private function fromDose(
        DoseCriterion $criterion,
        Figure $dose,
        \Closure $at,
        ?float $between,
        string $key,
        string $title,
        string $symbol,
        Unit $unit,
        NoiseEquation $equation,
        array $inputs,
        \Closure $of,
        ?\Closure $ends = null,
    ): SolvableResult {
        $indicated = Figure::derived(
            $symbol,
            str_starts_with($title, 'TWA') ? $title : lcfirst($title),
            $of($dose->toFloat()),
            $unit,
            $equation,
            [$dose, ...$inputs],
        )->bounded($dose->known->bound);

        return $this->answers->of(
            $key.':'.$criterion->id,
            $title,
            $indicated,
            static fn (float $offset): float => $of($at($offset)),
            $between === null ? null : $of($between),
        )
            ->or(
                self::CROSSING,
                $ends === null
                    ? null
                    : $this->answers->within(
                        $indicated,
                        static fn (float $offset): array => [
                            $of($ends($offset)[0]),
                            $ends($offset)[1] === null ? null : $of($ends($offset)[1]),
                        ],
                    ),
            );
    }

    /**
     * The campaign's criteria; for a column of averages without their threshold, which the unit has applied already.
     *
     * @return list<DoseCriterion>
     */
    private function withoutOwnThreshold(LogColumn $column): array
    {
        return $column->kind !== LevelColumn::Average ? $this->criteria : array_map(
            static fn (DoseCriterion $criterion): DoseCriterion => new DoseCriterion(
                $criterion->id,
                $criterion->name,
                $criterion->level,
                $criterion->exchangeRate,
                null,
                $criterion->source,
                $criterion->mark,
            ),
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
            Figure::read('L_c', 'criterion level', $criterion->level->value, LevelUnit::DecibelA, $origin, 0),
            Figure::read('q', 'exchange rate', $criterion->exchangeRate->value, LevelUnit::Decibel, $origin, 0),
        ];
        if ($criterion->threshold !== null) {
            $figures[] = Figure::read('L_thr', 'threshold', $criterion->threshold->value, LevelUnit::DecibelA, $origin, 0);
        }

        return $figures;
    }

    private function typed(string $symbol, string $meaning, \Footnote\Core\Evidence\Reading $reading, Unit $unit): Figure
    {
        return Figure::read(
            $symbol,
            $meaning,
            $reading->value->value,
            $unit,
            $this->origin($reading->provenance->words()),
            max(1, $reading->value->decimals()),
        );
    }

    private function origin(string $note): Origin
    {
        return new Origin('run', $this->run->id, $note);
    }
}
