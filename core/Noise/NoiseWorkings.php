<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Derivation\SharedEquation;
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
use Footnote\Core\Log\LogEquation;
use Footnote\Core\Log\LoggedColumn;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\Moments;
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
            new Moments($run),
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
        $duration = $this->running($seconds);
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
            $gaps = $sums->gaps;
            $seconds = $sums->seconds;
            $duration = $sums->duration ?? $duration;
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
            new LogFindings($survey, $doubts, $gaps, $seconds, $duration),
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
            : [
                'what the factor stored in the instrument is was not said: '
                    .'added to the reading, or a sensitivity, which counts the other way',
            ];
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
        // Where no column is a level nothing was measured.
        $wanted = (new Moments($this->run))->time($this->window->without($leftOut), 'start to stop, less pauses and what was left out');
        $gaps = Figure::derived(
            's',
            'share of the time that has no value',
            Exact::of(100),
            CommonUnit::Percent,
            SharedEquation::ShareOf,
            ['x' => $wanted, 'X' => $wanted],
            1,
        );
        $seconds = 0.0;
        $duration = null;
        // What was driven beyond its range is at least what it shows.
        $over = array_filter($survey->overloads, static fn (Span $span): bool => LogRanges::meet($ranges, $clock->touching($span))) !== []
            ? Bound::AtLeast
            : null;
        $place = LogSurvey::column($log, ...LevelColumn::SUMMED);
        if ($place !== null) {
            $column = $columns[$place];
            $histogram = LevelHistogram::of($log, $place, $ranges);
            $seconds = $histogram->samples * $log->step();
            $moves = $this->line !== null && !$this->line->isConstant();
            $moving = $moves ? MovingSums::of($log, $place, $ranges, $clock, $this->line, $this->withoutOwnThreshold($column)) : null;
            $source = new LoggedColumn($log, $place, $name, $ranges, $histogram->samples, $this->run);
            $gaps = $source->missing($this->window, $leftOut);
            $duration = Figure::derived(
                't',
                'time that the sums rest on',
                $seconds / 3600,
                CommonUnit::Hour,
                LogEquation::Time,
                ['n' => $source->lines, 'h' => $source->interval],
                3,
            );
            $fitness = ColumnFitness::forEquivalentLevel($column);
            if ($fitness->usable && $histogram->samples > 0) {
                $level = Figure::derived(
                    'L_Aeq',
                    'equivalent level',
                    $histogram->equivalentLevel(),
                    LevelUnit::DecibelA,
                    NoiseEquation::EquivalentLevel,
                    ['L_i' => $source->lines],
                )->bounded($over);
                $laeq = $this->answers->level(
                    'laeq',
                    'Equivalent level',
                    $level,
                    $moving === null ? null : $this->answers->along(
                        OffsetRemoval::ofLevel($level),
                        $moving->equivalentLevel,
                        NoiseEquation::LogAlongBracket,
                        ['L_i' => $source->lines, ...$this->answers->line('j')],
                    ),
                );
                $results[] = $laeq;
                if ($this->daily) {
                    $results[] = $this->dailyExposure($laeq, $seconds, $duration);
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
                    $results = [
                        ...$results,
                        ...$this->loggedDose($criterion, $histogram, $source, $duration, $moving?->doses[$criterion->id] ?? null, $over),
                    ];
                }
            }
        }
        foreach ([
            [LevelColumn::Peak, 'lcpeak', 'L_Cpeak', 'Highest C-weighted peak', LevelUnit::DecibelC],
            [LevelColumn::Maximum, 'lasmax', 'L_ASmax', 'Highest slow level', LevelUnit::DecibelA],
        ] as [$kind, $key, $symbol, $title, $unit]) {
            $place = LogSurvey::column($log, $kind);
            $histogram = $place === null ? null : LevelHistogram::of($log, $place, $ranges);
            $top = $histogram?->highest();
            if ($place !== null && $histogram !== null && $top !== null) {
                $lines = (new LoggedColumn($log, $place, $name, $ranges, $histogram->samples, $this->run))->lines;
                $level = Figure::derived(
                    $symbol,
                    lcfirst($title),
                    Exact::of($top)->dividedBy(1000),
                    $unit,
                    LogEquation::Highest,
                    ['r_i' => $lines],
                )->bounded($over);
                $level = $this->withinRange($level, $key);
                $between = $this->line !== null && !$this->line->isConstant()
                    ? $this->answers->along(
                        OffsetRemoval::ofLevel($level),
                        MovingSums::highest($log, $place, $top, $ranges, $clock, $this->line),
                        NoiseEquation::HighestAlongBracket,
                        ['L_i' => $lines, ...$this->answers->line('j')],
                    )
                    : null;
                $results[] = $this->answers->level($key, $title, $level, $between);
            }
        }

        return new LogSums($results, $doubts, $gaps, $seconds, $duration);
    }

    /** @return list<SolvableResult> */
    private function loggedDose(
        DoseCriterion $criterion,
        LevelHistogram $histogram,
        LoggedColumn $source,
        Figure $duration,
        ?float $moving,
        ?Bound $over,
    ): array {
        $step = $source->interval->toFloat();
        $inputs = ['L_i' => $source->lines, 'h' => $source->interval, ...$criterion->inputs()];
        $isOpen = $criterion->threshold === null;
        $dose = Figure::derived(
            'D',
            'dose, '.$criterion->name,
            $histogram->dose($criterion, $step),
            CommonUnit::Percent,
            $isOpen ? NoiseEquation::DoseWithoutThreshold : NoiseEquation::Dose,
            $inputs,
        )->bounded($over);
        $removal = OffsetRemoval::ofLoggedDose(
            $dose,
            static fn (float $offset): float => $histogram->dose($criterion, $step, $offset),
            $inputs,
        );

        return $this->doseResults($criterion, $removal, $duration, $moving === null ? null : $this->answers->along(
            $removal,
            $moving,
            $isOpen ? NoiseEquation::LogDoseAlongBracketWithoutThreshold : NoiseEquation::LogDoseAlongBracket,
            [...$inputs, ...$this->answers->line('j')],
        ));
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
        $duration = $this->running($seconds);
        $level = null;
        if ($totals->equivalentLevel !== null) {
            $level = $this->typed('L_Aeq', 'equivalent level', $totals->equivalentLevel, LevelUnit::DecibelA);
            $laeq = $this->answers->level('laeq', 'Equivalent level', $level, $this->answers->evenly($level));
            $results[] = $laeq;
            if ($this->daily) {
                $results[] = $this->dailyExposure($laeq, $seconds, $duration);
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
            $q = $criterion->exchange();
            $removal = OffsetRemoval::ofDose($dose, $criterion, $q);
            $results = [
                ...$results,
                ...$this->doseResults(
                    $criterion,
                    $removal,
                    $duration,
                    $this->answers->evenlyDosed($removal, $criterion, $q),
                    $this->betweenEnds($criterion, $dose, $level, $duration),
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

    /** How long it ran, h. */
    private function running(float $seconds): Figure
    {
        return Figure::derived(
            't',
            'time that the numbers rest on',
            $seconds / 3600,
            CommonUnit::Hour,
            SharedEquation::RunningTime,
            (new Moments($this->run))->stretches($this->stretches, 'start, stop, pauses and what was left out'),
            3,
        );
    }

    /**
     * N-10m: a dose known as a total with a threshold cannot be shifted by a factor: levels cross the threshold. Where the unit
     * read low it is at least what was counted, shifted, and at most what the equivalent level gives without a threshold; where
     * it read high it is at most what was counted, shifted. Over all offsets along the bracket; null where they leave it at one
     * value.
     *
     * @param Figure|null $level L_Aeq as the unit showed it; null where it was not read
     */
    private function betweenEnds(DoseCriterion $criterion, Figure $dose, ?Figure $level, Figure $duration): ?Figure
    {
        if ($criterion->threshold === null || $this->line === null) {
            return null;
        }
        $low = \INF;
        $high = -\INF;
        foreach ($this->line->knots as $knot) {
            $offset = $knot->offset->toFloat();
            $shifted = $dose->toFloat() * $criterion->factor($offset);
            $low = min($low, $offset > 0.0 ? 0.0 : $shifted);
            $high = max($high, match (true) {
                $offset >= 0.0 => $shifted,
                $level === null => \INF,
                default => max($shifted, 100 * $duration->toFloat() / $criterion->allowedHours($level->toFloat() - $offset)),
            });
        }
        if ($low >= $high) {
            return null;
        }
        $inputs = [
            'D_ind' => $dose,
            'q' => $criterion->exchange(),
            ...Row::of('o_i', array_map(static fn (OffsetKnot $knot): Figure => $knot->offset, $this->line->knots)),
        ];
        $isOpen = $level === null || $high === \INF;
        $between = Figure::derived(
            $dose->symbol,
            $dose->meaning.', since levels cross its threshold',
            $isOpen ? $low : $high,
            $dose->unit,
            $isOpen ? NoiseEquation::DoseAtLeast : NoiseEquation::DoseBetween,
            $isOpen ? $inputs : [
                ...$inputs,
                'L_Aeq' => $level,
                't' => $duration,
                'T_c' => $criterion->duration(),
                'L_c' => $criterion->criterionLevel(),
            ],
            $dose->decimals,
        );

        return $isOpen ? $between->bounded(Bound::AtLeast) : $between->downTo($low);
    }

    private function dailyExposure(SolvableResult $laeq, float $seconds, Figure $duration): SolvableResult
    {
        $stated = $this->run->day->minutes;
        $sampled = $seconds / 3600;
        $hours = $stated !== null ? $stated / 60 : $sampled;
        $rest = $stated !== null && $hours > $sampled + 1 / 3600 && $this->run->day->rest?->asSampled === false;
        $whole = $stated === null
            ? $duration
            : Figure::read(
                'T_e',
                'working day that the run stands for',
                $hours,
                CommonUnit::Hour,
                $this->origin('stated with the run'),
                2,
            );
        $u2 = MeasurementUncertainty::CLASS_2;
        $uncertainty = Figure::derived(
            'U',
            'expanded uncertainty of the instrument only, one-sided 95 %',
            MeasurementUncertainty::COVERAGE * sqrt($u2 ** 2 + MeasurementUncertainty::POSITION ** 2),
            LevelUnit::Decibel,
            NoiseEquation::Uncertainty,
            ['u₂' => MeasurementUncertainty::instrument($u2), 'u₃' => MeasurementUncertainty::position()],
            2,
        );
        $gain = static fn (Figure $time): float => $time->toFloat() > 0.0 ? 10 * log10($time->toFloat() / NominalDay::HOURS) : -\INF;
        $over = static fn (Figure $level, Figure $time, string $how = ''): Figure => Figure::derived(
            'L_EX,8h',
            'daily noise exposure level'.$how.self::how($level),
            $level->toFloat() + $gain($time),
            LevelUnit::DecibelA,
            NoiseEquation::DailyExposure,
            ['L_Aeq' => $level, 'T_e' => $time, 'T_0' => NominalDay::figure()],
        )->downAs($level, static fn (Exact|float $floor): float => Real::toFloat($floor) + $gain($time));
        $day = $rest ? $duration : $whole;
        $result = $laeq->leadingTo(
            'lex8h',
            'Daily noise exposure level',
            $this->reported(),
            static fn (Figure $level): Figure => $over($level, $day),
            static fn (float $level): float => $level + $gain($day),
            static fn (Figure $limit): Figure => Figure::derived(
                'L_lim',
                'equivalent level at which the daily exposure sits on the limit',
                $limit->toFloat() - $gain($day),
                LevelUnit::DecibelA,
                NoiseEquation::LevelOfDailyExposure,
                ['L_EX,8h' => $limit, 'T_e' => $day, 'T_0' => NominalDay::figure()],
            ),
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
                $over($laeq->result->reportedFigure(), $duration, ', over the time measured')
                    ->bounded($laeq->result->reportedFigure()->known->bound),
            );
        }

        return $result->covering(Coverage::of($this->run, [$duration], $this->run->day->rest))->withUncertainty(
            $uncertainty,
            'The uncertainty is of the instrument only. How the work varies from day to day and person to person is '
                .'not in it: that needs several days or samples.',
        );
    }

    /**
     * Dose, TWA, L_avg and projected dose of one criterion.
     *
     * @param Figure      $duration that the dose rests on, h
     * @param Figure|null $between  with the moving offset
     * @param Figure|null $crossing between its ends, where that is all that is known of it
     *
     * @return list<SolvableResult>
     */
    private function doseResults(
        DoseCriterion $criterion,
        OffsetRemoval $removal,
        Figure $duration,
        ?Figure $between,
        ?Figure $crossing = null,
    ): array {
        $dose = $this->answers
            ->of('dose:'.$criterion->id, 'Dose, '.$criterion->name, $removal, $between)
            ->asDose($criterion->slope())
            ->or(self::CROSSING, $crossing);
        $hours = $duration->toFloat();
        $minutes = $this->run->day->minutes;
        $shift = $minutes === null
            ? null
            : Figure::read('T_shift', 'working day', $minutes / 60, CommonUnit::Hour, $this->origin('stated with the run'), 2);
        $isLonger = $shift !== null && $hours > 0 && $shift->toFloat() > $hours + 1 / 3600;
        $rest = $this->run->day->rest;
        $projected = static fn (Figure $one, string $symbol, string $meaning): Figure => self::scaled(
            $one,
            $symbol,
            $meaning,
            $shift === null || $hours <= 0 ? 1.0 : $shift->toFloat() / $hours,
            ['D' => $one, ...($shift === null ? [] : ['T_shift' => $shift]), 't' => $duration],
        );
        $average = $this->average($criterion);
        $whole = $isLonger && $rest?->asSampled !== false
            ? $projected($dose->result->reportedFigure(), 'D', 'dose, '.$criterion->name.', the rest of the day as sampled')
            : null;
        $coverage = Coverage::of($this->run, [$duration], $rest);
        $told = $rest?->asSampled === true && $isLonger ? $dose->noting($rest->words()) : $dose;
        $results = [
            $told->or(Coverage::AS_SAMPLED, $whole)->covering($coverage),
            $dose->leadingTo(
                'twa:'.$criterion->id,
                'TWA, '.$criterion->name,
                $this->reported(),
                $average,
                $criterion->timeWeightedAverage(...),
                static fn (Figure $limit): Figure => Figure::derived(
                    'D_lim',
                    'dose at the limit, '.$criterion->name,
                    100 * 10 ** (($limit->toFloat() - $criterion->l()) / $criterion->k()->toFloat()),
                    CommonUnit::Percent,
                    NoiseEquation::DoseOfAverage,
                    ['L' => $limit, 'L_c' => $criterion->criterionLevel(), 'k' => $criterion->k()],
                ),
            )->covering($coverage)->or(Coverage::AS_SAMPLED, $whole === null ? null : $average($whole)->bounded($whole->known->bound)),
            $dose->leadingTo(
                'lavg:'.$criterion->id,
                'Average level, '.$criterion->name,
                $this->reported(),
                $this->levelOver($criterion, $duration),
                static fn (float $d): float => $criterion->averageLevel($d, $hours),
                static fn (Figure $limit): Figure => Figure::derived(
                    'D_lim',
                    'dose at the limit, '.$criterion->name,
                    100 * $hours / $criterion->allowedHours($limit->toFloat()),
                    CommonUnit::Percent,
                    NoiseEquation::DoseOfLevel,
                    [
                        't' => $duration,
                        'T_c' => $criterion->duration(),
                        'L' => $limit,
                        'L_c' => $criterion->criterionLevel(),
                        'q' => $criterion->exchange(),
                    ],
                ),
            ),
        ];
        if ($shift !== null && $hours > 0) {
            $results[] = $dose->leadingTo(
                'projected:'.$criterion->id,
                'Projected dose, '.$criterion->name,
                $this->reported(),
                static fn (Figure $one): Figure => $projected($one, 'D_proj', 'projected dose, '.$criterion->name.self::how($one)),
                static fn (float $d): float => $d * $shift->toFloat() / $hours,
                static fn (Figure $limit): Figure => Figure::derived(
                    'D_lim',
                    'dose at the limit, '.$criterion->name,
                    $limit->toFloat() * $hours / $shift->toFloat(),
                    CommonUnit::Percent,
                    NoiseEquation::DoseOfProjected,
                    ['D_proj' => $limit, 't' => $duration, 'T_shift' => $shift],
                ),
            )->asDose($criterion->slope());
        }

        return $results;
    }

    /**
     * N-7a: a dose over the whole day, the rest as sampled.
     *
     * @param array<string, Figure> $inputs
     */
    private static function scaled(Figure $one, string $symbol, string $meaning, float $by, array $inputs): Figure
    {
        return Figure::derived(
            $symbol,
            $meaning,
            $one->toFloat() * $by,
            $one->unit,
            NoiseEquation::ProjectedDose,
            $inputs,
            $one->decimals,
        )
            ->downAs($one, static fn (Exact|float $floor): float => Real::toFloat($floor) * $by)
            ->bounded($one->known->bound);
    }

    /** @return \Closure(Figure): Figure N-5a */
    private function average(DoseCriterion $criterion): \Closure
    {
        return self::ofDose(
            'TWA',
            'TWA, '.$criterion->name,
            NoiseEquation::TimeWeightedAverage,
            ['L_c' => $criterion->criterionLevel(), 'k' => $criterion->k()],
            $criterion->timeWeightedAverage(...),
        );
    }

    /** @return \Closure(Figure): Figure N-6a */
    private function levelOver(DoseCriterion $criterion, Figure $duration): \Closure
    {
        return self::ofDose(
            'L_avg',
            'average level, '.$criterion->name,
            NoiseEquation::AverageLevel,
            [
                'L_c' => $criterion->criterionLevel(),
                'q' => $criterion->exchange(),
                'T_c' => $criterion->duration(),
                't' => $duration,
            ],
            static fn (float $dose): float => $criterion->averageLevel($dose, $duration->toFloat()),
        );
    }

    /**
     * A level that follows from a dose.
     *
     * @param array<string, Figure>   $inputs
     * @param \Closure(float): float $of
     *
     * @return \Closure(Figure): Figure
     */
    private static function ofDose(string $symbol, string $meaning, NoiseEquation $equation, array $inputs, \Closure $of): \Closure
    {
        return static fn (Figure $dose): Figure => Figure::derived(
            $symbol,
            $meaning.self::how($dose),
            $of($dose->toFloat()),
            LevelUnit::DecibelA,
            $equation,
            ['D' => $dose, ...$inputs],
        )->downAs($dose, static fn (Exact|float $floor): float => $of(Real::toFloat($floor)));
    }

    /** How the figure that another follows from was told: what stands behind its name. */
    private static function how(Figure $figure): string
    {
        $way = '/, ((?:offset|interpolated offset|the error|at an unknown|since levels|the rest).*)$/';

        return preg_match($way, $figure->meaning, $parts) === 1 ? ', '.$parts[1] : '';
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
