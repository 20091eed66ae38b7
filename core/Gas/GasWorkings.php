<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\EightHourMean;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\LogAlterations;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Segment;
use Footnote\Core\Judgement\Tipping;
use Footnote\Core\Judgement\WorkedOut;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\MovingReadings;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/**
 * Works out one channel of a run: its log or its display by the four answers (G-2), the factor of its vapour (G-4), and
 * exposures over the shift and fifteen minutes (G-7).
 */
final readonly class GasWorkings
{
    /** Molar mass, g/mol. */
    private const ISOBUTYLENE = '56.11';

    private Channel $channel;

    private GasRecord $record;

    private ChannelRecord $set;

    private Factor $factor;

    private Exact $undone;

    private GasResponse $response;

    private ?LinearLine $line;

    private ?LinearKnot $unsaved;

    private Answer $reported;

    private ReferenceConditions $conditions;

    private ?Figure $largestEver;

    private Bracket $bracket;

    private ?Segment $segment;

    /** The part of the run that stands. */
    private Span $window;

    /** @var list<LeftOff> */
    private array $left;

    /** Whether the unit was told to expect another value than the label's: what it shows is then set right by rule. */
    private bool $setRight;

    /** @param Bracket $whole as it was found; a declared segment closes it earlier */
    public function __construct(
        private Run $run,
        Bracket $whole,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $this->channel = Channel::named($timeline->instrument, $timeline->channel) ?? throw new \LogicException(
            'There is no channel '.$timeline->channel.'.',
        );
        $content = $run->content;
        $this->record = $content instanceof GasRecord ? $content : throw new \LogicException('Not a run of a monitor.');
        $this->set = $this->record->channel($this->channel->name);
        $this->factor = Factor::of($this->channel, $this->set);
        $this->response = new GasResponse($this->channel);
        $this->segment = Segment::of(
            $run,
            $whole,
            $this->record->log !== null && $this->record->column($this->channel->name) !== null,
            $this->fails(...),
        );
        $this->bracket = $this->segment->bracket ?? $whole;
        $this->window = new Span($run->timing->start, $this->segment->span->to ?? $run->timing->stop ?? $run->timing->start);
        $this->line = $this->response->line($this->bracket, $timeline);
        $this->unsaved = $this->lost();
        $this->conditions = self::conditions($yardsticks);
        $this->undone = $this->factor->undone->times($this->set->setting->milligram ? $this->milligramPerPart() : Exact::of(1));
        // Whoever set the unit by a cylinder that was wrong did it right; the error is taken out by its own rule.
        $asCertified = $timeline->taking(RecallTaken::Nothing);
        $this->setRight = WrongValue::of($this->bracket, $asCertified, $this->response) !== null || $this->isRecalled();
        $this->left = LeftOff::beyond($this->bracket, $asCertified, $this->response, $policy);
        $answer = $policy->reportedAnswer('linear');
        // What was set to a wrong value, or left off, is set right along the bracket, whatever the policy reports otherwise.
        $this->reported = ($this->setRight || $this->left !== []) && $answer === Answer::Indicated ? Answer::Between : $answer;
        $this->largestEver = GasHistory::of($timeline, $this->bracket->post->at ?? $run->timing->stop ?? $run->timing->start)->largest();
    }

    /** Whether an end of the bracket leans on a cylinder whose known error is taken out. */
    private function isRecalled(): bool
    {
        foreach ($this->bracket->checks() as $check) {
            if ($this->timeline->referenceOf($check)?->errorAt($check->at) !== null) {
                return true;
            }
        }

        return false;
    }

    /** Whether the channel moved more along a bracket than the policy allows, in its span gas or in clean air. */
    private function fails(Bracket $bracket): bool
    {
        $drifts = $this->response->drifts($this->response->line($bracket, $this->timeline), $bracket, $this->timeline);
        foreach (['gas.span-drift', 'gas.zero-drift'] as $rule) {
            $setting = $this->policy->rule($rule);
            if ($setting === null) {
                continue;
            }
            foreach ($drifts as $drift) {
                $off = $rule === 'gas.zero-drift' ? $drift->zero : $drift->absolute;
                if (!DriftLimit::of($this->channel, $setting)->isKeptBy($off->value, $drift->label)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** The conditions that the campaign states concentrations at; where it names none, 25 °C. */
    private static function conditions(Yardsticks $yardsticks): ReferenceConditions
    {
        foreach ($yardsticks->criteria as $criterion) {
            if ($criterion instanceof ReferenceConditions && $criterion->air !== null) {
                return $criterion;
            }
        }

        return ReferenceConditions::at('25', '101.325');
    }

    public function results(): ChannelResults
    {
        $stop = $this->run->timing->stop;
        $log = $this->record->log;
        $column = $this->record->column($this->channel->name);
        $results = [];
        $alterations = [];
        $leftOut = [];
        $gapShare = null;
        $lost = null;
        $overs = 0;
        $hollow = 0;
        if ($stop !== null && $log !== null && $column !== null) {
            $clock = new LogClock($log, $this->run);
            $alterations = LogAlterations::of(
                $this->run,
                $this->window,
                TestGas::in($this->record, $this->run, $this->timeline->taking(RecallTaken::Nothing), $this->policy),
                $log->remarks(),
            );
            $leftOut = LogAlterations::taken($alterations);
            $counts = ValueCounts::of($log, $column, $this->ranges($clock, $leftOut));
            $gapShare = $clock->missing($this->window, $leftOut, $counts->gaps);
            $lost = max(0.0, Span::secondsBetween($this->run->timing->start, $clock->at(0)));
            $overs = $counts->overs;
            [$results, $hollow] = $this->fromLog($log, $column, $clock, $leftOut);
            $otherwise = LogAlterations::otherwise($alterations, fn (array $out): array => $this->fromLog($log, $column, $clock, $out)[0]);
            $results = array_map(static fn (Result $one): Result => $one->altered(...$otherwise($one)), $results);
        } elseif ($stop !== null && $this->set->hasTotals()) {
            $results = $this->fromDisplay();
            $alterations = LogAlterations::notApplied($this->run);
        }
        $judge = new LimitJudge();
        [$basis, $limits] = $this->limits();

        $judged = array_map(
            fn (Result $result): Result => $judge->judge(
                $result,
                $limits,
                fn (ExposureLimit $limit): array => $this->tipping($limit, $result),
                null,
                $this->bracket,
            ),
            $results,
        );
        $drifts = $this->drifts();

        return new ChannelResults(
            new Sensed($this->channel, $this->set, $this->record, $this->factor, $basis),
            $this->timeline,
            $this->bracket,
            new WorkedOut(
                $judged,
                array_map(static fn (GasDrift $drift): Figure => $drift->span, $drifts),
                $alterations,
                $this->segment,
                $leftOut,
            ),
            new ChannelFindings(
                $this->line,
                $drifts,
                GasResponse::rezeroed($this->bracket, $this->timeline),
                $this->unsaved,
                $this->largestEver,
                $this->left,
            ),
            new LogFlaws($gapShare, $lost, $overs, $hollow),
        );
    }

    /**
     * The limits of the campaign; those in % LEL told in what the cylinder of the unit takes for 100 %.
     *
     * @return array{string|null, list<ExposureLimit>} why a limit in % LEL cannot be held against it; the limits
     */
    private function limits(): array
    {
        $unit = Unit::PercentExplosive->value;
        if ($this->channel->unit !== Unit::PercentExplosive
            || array_filter(
                $this->yardsticks->limits,
                static fn (ExposureLimit $limit): bool => $limit->threshold->unit === $unit,
            ) === []) {
            return [null, $this->yardsticks->limits];
        }
        $bases = [];
        foreach ($this->bracket->checks() as $check) {
            $reference = $this->timeline->referenceOf($check);
            $bases[] = $reference === null ? null : (new Bottle($reference))->lelBasis($check->at);
        }
        $basis = \count(array_unique($bases)) === 1 ? $bases[0] : null;
        if ($basis === null) {
            return ['its cylinders do not say, or not alike, how much methane they take for 100 % LEL', $this->yardsticks->limits];
        }
        $unsaid = null;
        $limits = [];
        foreach ($this->yardsticks->limits as $limit) {
            if ($limit->threshold->unit === $unit && $limit->threshold->basis === null) {
                $unsaid = \sprintf('the limit %s does not say how much methane it takes for 100 %% LEL', $limit->title);
            }
            if ($limit->threshold->unit !== $unit || $limit->threshold->basis === null) {
                $limits[] = $limit;
                continue;
            }
            $told = $limit->threshold->value->value->times($limit->threshold->basis->value)->dividedBy(Exact::of($basis));
            $limits[] = $limit->at(Decimal::parse($told->rounded(max(3, $limit->threshold->value->decimals()))));
        }

        return [$unsaid, $limits];
    }

    /**
     * @param list<Span> $leftOut
     *
     * @return list<array{int, int}>
     */
    private function ranges(LogClock $clock, array $leftOut): array
    {
        return LogRanges::less($clock->within($this->window), array_map($clock->touching(...), $leftOut));
    }

    /** The response as found, where the adjustment before the run may not have been saved. */
    private function lost(): ?LinearKnot
    {
        $content = $this->bracket->pre?->content;

        return $this->bracket->pre !== null && $content instanceof ChannelCheck && $content->span->adjusted && $content->saved === false
            ? $this->response->asFound($this->bracket->pre, $this->timeline)
            : null;
    }

    /**
     * @param list<Span> $leftOut
     *
     * @return array{list<Result>, int} and the hollow windows
     */
    private function fromLog(SeriesLog $log, int $column, LogClock $clock, array $leftOut): array
    {
        $whole = $clock->within($this->window);
        $ranges = $this->ranges($clock, $leftOut);
        $counts = ValueCounts::of($log, $column, $ranges);
        if ($counts->samples + $counts->overs === 0) {
            return [[], 0];
        }
        $minutes = Exact::of(
            array_sum(array_map(static fn (array $range): int => $range[1] - $range[0], $ranges)),
        )->times(self::seconds($log->step()))->dividedBy(60);
        $range = $this->channel->display->range === null
            ? null
            : (int) round(1000 * $this->channel->display->range->value->toFloat() * $this->undone->toFloat());
        $raw = MovingReadings::of($log, $column, $whole, $ranges, null, null, range: $range);
        $moves = $this->line !== null && !$this->line->isConstant();
        $limits = $this->limitsAbove();
        $scale = ($this->factor->applied->value ?? Exact::of(1));
        $thresholds = array_map(
            static fn (ExposureLimit $limit): float => $limit->threshold->value->value->toFloat() / Real::toFloat($scale),
            $limits,
        );
        $moving = $moves
            ? MovingReadings::of($log, $column, $whole, $ranges, $this->line, $clock, $this->undone->toFloat(), $thresholds, $range)
            : null;
        $origin = new Origin(
            'log',
            $this->run->id,
            \sprintf(
                '%s, %s of %s readings every %s s',
                $this->record->logName,
                number_format($counts->samples, 0, '.', ' '),
                number_format($log->length(), 0, '.', ' '),
                Digits::trimmed($log->step(), 3),
            ),
        );
        $read = fn (string $symbol, string $meaning, Exact|float $value, bool $over): Figure => Figure::read(
            $symbol,
            $meaning.', as logged',
            $value,
            $this->shown(),
            $origin,
            $this->isToxic() ? self::digits($value) : 1,
        )->bounded($over ? Bound::AtLeast : null);
        $moment = $this->moment($log, $column);
        $results = [];
        if ($raw->mean !== null) {
            array_push($results, ...$this->mean($read('r̄', 'mean reading', $raw->mean, $raw->over), $moving?->mean, $minutes, $origin));
        }
        if ($raw->shortTerm !== null && $this->isToxic()) {
            array_push(
                $results,
                ...$this->inUnits(
                    'stel',
                    'Short-term, 15 min, ',
                    $this->answers($read('r₁₅', 'highest mean of 15 min', $raw->shortTerm, $raw->shortOver), $moving?->shortTerm),
                    GasEquation::Exposure,
                    $raw->hollow > 0
                        ? [\sprintf('%d windows of 15 min hold less than 75 %% of their readings and count for no limit.', $raw->hollow)]
                        : [],
                ),
            );
        }
        if ($raw->extremes->highest !== null) {
            array_push(
                $results,
                ...array_map(
                    static fn (Result $one): Result => $one->ofMoments($moment('maximum')),
                    $this->inUnits(
                        'peak',
                        $this->channel->kind === GasKind::Oxygen ? 'Highest, ' : 'Peak, ',
                        $this->answers($read('r_max', 'highest reading', $raw->extremes->highest, $raw->over), $moving?->extremes->highest),
                    ),
                ),
            );
        }
        if ($raw->extremes->lowest !== null && $this->channel->kind === GasKind::Oxygen) {
            array_push(
                $results,
                ...array_map(
                    static fn (Result $one): Result => $one->ofMoments($moment('minimum')),
                    $this->inUnits(
                        'lowest',
                        'Lowest, ',
                        $this->answers($read('r_min', 'lowest reading', $raw->extremes->lowest, false), $moving?->extremes->lowest),
                        worstIsLow: true,
                    ),
                ),
            );
        }
        foreach ($limits as $place => $limit) {
            $results[] = $this->timeAbove($limit, $counts, $moving?->above[$place] ?? null, $log->step(), $origin);
        }

        return [$results, $raw->hollow];
    }

    /**
     * Why what the log holds cannot tell what was there at any moment; null where it can: it holds extremes, or its interval
     * is no longer than the sensor takes.
     *
     * @return \Closure(string): ?string
     */
    private function moment(SeriesLog $log, int $column): \Closure
    {
        $statistic = $log->columns()[$column]->statistic;
        $follows = $this->channel->follows($log->step());
        $step = Digits::trimmed($log->step(), 1);

        return static fn (string $wanted): ?string => $statistic === $wanted || $follows
            ? null
            : \sprintf('the log holds means of %s s: at any moment it may have been %s', $step, $wanted === 'minimum' ? 'less' : 'more');
    }

    /** @return list<Result> */
    private function fromDisplay(): array
    {
        $origin = new Origin('run', $this->run->id, 'read off the display');
        $read = fn (string $symbol, string $meaning, Decimal $value): Figure => Figure::read(
            $symbol,
            $meaning.', as the display showed',
            $value->value,
            $this->shown(),
            $origin,
            max(1, $value->decimals()),
        );
        $results = [];
        if ($this->set->totals->mean !== null) {
            $mean = $this->withinRange($read('r̄', 'mean reading', $this->set->totals->mean));
            $minutes = Exact::of(number_format($this->run->runningSeconds(), 3, '.', ''))->dividedBy(60);
            $between = null;
            if ($this->line !== null && \count($this->line->knots) > 1) {
                [$z, $g] = $this->line->mean($this->run->runningSpans());
                $between = ($mean->toFloat() / $this->undone->toFloat() - $z) / $g;
            }
            array_push($results, ...$this->mean($mean, $between, $minutes, $origin));
        }
        foreach ([
            ['stel', 'Short-term, 15 min, ', 'r₁₅', 'highest mean of 15 min', $this->set->totals->shortTerm],
            ['peak', 'Peak, ', 'r_max', 'highest reading', $this->set->totals->peak],
            ['lowest', 'Lowest, ', 'r_min', 'lowest reading', $this->set->totals->lowest],
        ] as [$key, $title, $symbol, $meaning, $value]) {
            if ($value !== null) {
                array_push(
                    $results,
                    ...$this->inUnits(
                        $key,
                        $title,
                        $this->answers($this->withinRange($read($symbol, $meaning, $value)), null, true),
                        GasEquation::Exposure,
                        ['Its moment is not known: along the bracket it lies between the responses of the run.'],
                        $key === 'lowest',
                    ),
                );
            }
        }

        return $results;
    }

    /**
     * The mean of what is not toxic as it is, and of what is over a shift of eight hours.
     *
     * @return list<Result>
     */
    private function mean(Figure $raw, Exact|float|null $between, Exact $minutes, Origin $origin): array
    {
        $mean = $this->answers($raw, $between);
        if (!$this->isToxic()) {
            return $this->inUnits('mean', 'Mean, ', $mean);
        }
        $eight = new EightHourMean($mean, $minutes, $this->run, $this->policy, $origin, GasEquation::Exposure, self::digits(...));

        return array_map(
            fn (Result $one): Result => $eight->told(
                $one,
                fn (Figure $figure): ?Figure => $one->reportedFigure()->unit === $figure->unit ? $figure : $this->byMass($figure),
            ),
            $this->inUnits('twa', 'TWA over 8 h, ', $eight->answers),
        );
    }

    /** What the display shows at the end of its range is at least that. */
    private function withinRange(Figure $read): Figure
    {
        $range = $this->channel->display->range;

        return $range !== null && Real::compare(Real::by($read->value, $this->undone), $range->value) >= 0
            ? $read->bounded(Bound::AtLeast)
            : $read;
    }

    /** G-2 and G-4: the four answers to one raw reading. */
    private function answers(Figure $raw, Exact|float|null $between, bool $unknownMoment = false): FourAnswers
    {
        $sensor = $this->undone->compareTo(Exact::of(1)) === 0
            ? $raw
            : Figure::derived(
                'r',
                $raw->meaning.', before what was applied to it',
                Real::by($raw->value, $this->undone),
                $this->channel->unit,
                GasEquation::Factor,
                [
                    $raw,
                    Figure::read(
                        'F',
                        'applied by the unit or by hand',
                        $this->undone,
                        Unit::None,
                        new Origin('run', $this->run->id, 'as the unit was set'),
                        3,
                    ),
                ],
                2,
            );
        $by = fn (LinearKnot $knot): ?Figure => Real::compare($knot->gain->value, Exact::zero()) <= 0
            ? null
            : Figure::derived(
                'c',
                \sprintf('%s, response %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check),
                Real::by(Real::minus($sensor->value, $knot->zero->value), $knot->gain->value),
                $this->channel->unit,
                GasEquation::Corrected,
                [$sensor, $knot->zero, $knot->gain],
                self::digits($sensor->value),
            );
        $line = $this->line;
        $moved = fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $line->isConstant() => $pre,
            $between === null => $unknownMoment ? $this->atSomeMoment($sensor, $line) : null,
            default => Figure::derived(
                'c',
                $raw->meaning.', response along the bracket',
                $between,
                $this->channel->unit,
                GasEquation::Corrected,
                [$sensor, ...array_merge(...array_map(static fn (LinearKnot $knot): array => [$knot->zero, $knot->gain], $line->knots))],
                self::digits($between),
            ),
        };
        $answers = FourAnswers::along($sensor, $line->knots ?? [], $this->bracket, $by, $moved)->bounded($raw->known->bound);
        $unsaved = $this->unsaved === null ? null : $by($this->unsaved);

        return ($unsaved === null ? $answers : $answers->alsoBy($unsaved))->each($this->factored(...));
    }

    /** An extreme whose moment is not known lies between what the responses of its stretch make of it; the higher end is told. */
    private function atSomeMoment(Figure $sensor, LinearLine $line): ?Figure
    {
        $values = array_map(
            static fn (array $at): float => $at[1] > 0.0 ? ($sensor->toFloat() - $at[0]) / $at[1] : \INF,
            $line->within($this->window),
        );

        return max($values) === \INF
            ? null
            : Figure::derived(
                'c',
                $sensor->meaning.', at an unknown moment along the bracket',
                max($values),
                $this->channel->unit,
                GasEquation::Corrected,
                [$sensor, ...array_merge(...array_map(static fn (LinearKnot $knot): array => [$knot->zero, $knot->gain], $line->knots))],
                self::digits(max($values)),
            )->downTo(min($values));
    }

    private function factored(Figure $one): Figure
    {
        $factor = $this->factor->applied;

        return $factor === null
            ? $one
            : self::times(
                $one,
                $factor->value,
                Figure::derived(
                    'c',
                    $one->meaning.', as '.($this->set->known?->text('name') ?? 'vapour'),
                    Real::times($one->value, $factor->value),
                    $one->unit,
                    GasEquation::Factor,
                    [$one, $factor],
                    self::digits($one->value),
                ),
            );
    }

    /** An interval is told in the same way at both ends. */
    private static function times(Figure $was, Exact|float $by, Figure $now): Figure
    {
        return $was->known->floor === null ? $now : $now->downTo(Real::times($was->known->floor, $by));
    }

    /** G-4 by C-2: the same by mass; null where the molar mass of what was there is not known. */
    private function byMass(Figure $one): ?Figure
    {
        $molar = $this->molarMass();
        if ($molar === null || $this->factor->missing) {
            return null;
        }
        $volume = $this->conditions->molarVolume($this->record->air);
        $perPart = $molar->dividedBy($volume);
        $value = Real::times($one->value, $perPart);
        $inputs = [
            $one,
            Figure::read(
                'V_m',
                'molar volume at '.$this->conditions->name,
                $volume,
                Unit::LitrePerMole,
                new Origin('criterion', $this->conditions->id, $this->conditions->volumeSource()),
                3,
            ),
            Figure::read(
                'M',
                'molar mass of '.$this->name(),
                $molar,
                Unit::GramPerMole,
                new Origin('library', $this->code(), 'library of substances'),
                2,
            ),
        ];
        $told = Figure::derived(
            $one->symbol,
            $one->meaning.', by mass',
            $value,
            Unit::MilligramPerCubicMetre,
            SharedEquation::PartsPerMillion,
            $inputs,
            self::digits($value),
        );

        return self::times($one, $perPart, $told)->bounded($one->known->bound);
    }

    /**
     * A result in the channel's unit, and in mg/m³ where its molar mass is known.
     *
     * @param list<string> $notes
     *
     * @return list<Result>
     */
    private function inUnits(
        string $key,
        string $title,
        FourAnswers $answers,
        GasEquation $by = GasEquation::Corrected,
        array $notes = [],
        bool $worstIsLow = false,
    ): array {
        $name = $this->name();
        $code = $this->code();
        $isPpm = $this->channel->unit === Unit::PartsPerMillion;
        $results = [
            $this->result(
                ($isPpm ? $key.'-ppm' : $key).':'.$code,
                $title.$name,
                $answers,
                [
                    ...$notes,
                    ...($this->factor->missing ? ['In isobutylene units: the factor of '.$name.' with this lamp is not known.'] : []),
                ],
                $worstIsLow,
            ),
        ];
        if ($isPpm && $this->molarMass() !== null && !$this->factor->missing) {
            $results[] = $this->result(
                $key.':'.$code,
                $title.$name,
                $answers->each($this->byMass(...)),
                [...$notes, 'Stated at '.$this->conditions->name.'.'],
                $worstIsLow,
            );
        }

        return $results;
    }

    /** How long the reading lay above a limit, with a constant response by counting, along the bracket interval by interval. */
    private function timeAbove(ExposureLimit $limit, ValueCounts $counts, ?int $between, float $step, Origin $origin): Result
    {
        $wanted = Real::by($limit->threshold->value->value, $this->factor->applied->value ?? Exact::of(1));
        $minutes = static fn (int $intervals): Exact => Exact::of($intervals)->times(self::seconds($step))->dividedBy(60);
        $logged = Figure::read('r', 'readings, as logged', $counts->samples, $this->shown(), $origin, 0);
        $value = Figure::read(
            'L',
            $limit->title,
            $limit->threshold->value->value,
            Unit::tryFrom($limit->threshold->unit) ?? Unit::None,
            new Origin('criterion', $limit->id, $limit->source->words),
            $limit->threshold->value->decimals(),
        );
        // What was beyond the range was above any limit within it.
        $beyond = $this->channel->display->range === null ? 0 : $counts->overs;
        $indicated = static fn (?LinearKnot $knot): float => $knot === null
            ? Real::toFloat($wanted)
            : $knot->zero->toFloat() + $knot->gain->toFloat() * Real::toFloat($wanted);
        $above = fn (?LinearKnot $knot): int => $beyond + $counts->above(1000 * $this->undone->toFloat() * $indicated($knot));
        $answers = FourAnswers::along(
            self::minutesAbove($limit, 'as logged', $minutes($above(null)), [$logged, $value]),
            $this->line->knots ?? [],
            $this->bracket,
            static fn (LinearKnot $knot): Figure => self::minutesAbove(
                $limit,
                \sprintf('response at %s', $knot->check),
                $minutes($above($knot)),
                [$logged, $value, $knot->zero, $knot->gain],
            ),
            static fn (Figure $pre, ?Figure $post): ?Figure => $post === null
                ? null
                : ($between === null ? $pre : self::minutesAbove(
                    $limit,
                    'response along the bracket',
                    $minutes($between),
                    [$logged, $value],
                )),
        );

        $note = str_starts_with($limit->quantity, 'peak') ? [] : ['Moments above a limit that is for a mean are no breach of it.'];

        return $this->result(
            'above-'.$limit->id.':'.$this->code(),
            \sprintf('Time above %s %s, %s', $limit->threshold->value->written, $limit->threshold->unit, $this->name()),
            $answers->bounded($counts->overs > 0 && $this->channel->display->range === null ? Bound::AtLeast : null),
            $note,
            false,
        );
    }

    /** @param list<Figure> $inputs */
    private static function minutesAbove(ExposureLimit $limit, string $how, Exact $minutes, array $inputs): Figure
    {
        return Figure::derived(
            't',
            \sprintf('time above %s %s, %s', $limit->threshold->value->written, $limit->threshold->unit, $how),
            $minutes,
            Unit::Minute,
            GasEquation::Exposure,
            $inputs,
            1,
        );
    }

    /**
     * @param list<string> $notes
     */
    private function result(string $key, string $title, FourAnswers $answers, array $notes, bool $worstIsLow): Result
    {
        $result = Result::of($key, $title, $this->reported, $answers, $notes, $this->channel->name, $worstIsLow);
        // What the unit shows after it was told a wrong value is no reading of what was there.
        if ($this->setRight) {
            $result = $result->notPlain();
        }
        if (($this->setRight || $this->left !== []) && $answers->between === null && $answers->pre !== null) {
            $result = $result->reporting(Answer::Pre);
        }

        return $this->stoppedAtZero($result);
    }

    /**
     * FC-A7: a display that shows nothing below zero hides how far the zero sank: it may all be that much more, up to what
     * the zero may drift.
     */
    private function stoppedAtZero(Result $result): Result
    {
        $setting = $this->policy->rule('gas.zero-drift');
        if (!$this->channel->display->stopsAtZero || $setting === null || $result->reportedFigure()->unit === Unit::Minute) {
            return $result;
        }
        $label = ($this->drifts()[0] ?? null)?->label;
        if ($label === null) {
            return $result;
        }
        $shift = DriftLimit::of($this->channel, $setting)->most($label);
        $hidden = $this->factored(Figure::derived('r', 'hidden below zero', $shift, $this->channel->unit, GasEquation::Corrected, [], 2));
        $reported = $result->reportedFigure();
        $hidden = $reported->unit === $this->channel->unit ? $hidden : $this->byMass($hidden);

        return $hidden === null ? $result : $result
            ->or('with its zero sunk as far as it may, unseen', $reported->of(Real::plus($reported->value, $hidden->value)))
            ->noting('The display shows nothing below zero: no drift of its zero can be seen.');
    }

    /** @return list<GasDrift> */
    private function drifts(): array
    {
        return $this->response->drifts($this->line, $this->bracket, $this->timeline);
    }

    /** @return list<ExposureLimit> the limits in the unit of the channel that its readings can lie above, each value once */
    private function limitsAbove(): array
    {
        $limits = [];
        $quantities = array_map(fn (string $kind): string => $kind.':'.$this->code(), ['twa-ppm', 'stel-ppm', 'peak-ppm', 'peak']);
        foreach ($this->yardsticks->limits as $limit) {
            if (\in_array($limit->quantity, $quantities, true)
                && $limit->threshold->unit === $this->channel->unit->value
                && !$this->factor->missing) {
                $limits[$limit->threshold->value->written] ??= $limit;
            }
        }

        return array_values($limits);
    }

    /**
     * It sits on the limit where the gain is so much off what it was worked out with.
     *
     * @return array{?Figure, string}
     */
    private function tipping(ExposureLimit $limit, Result $result): array
    {
        $drifts = array_map(static fn (GasDrift $drift): Figure => $drift->span, $this->drifts());
        $seen = match (true) {
            $this->line === null => 'no check shows the response',
            $drifts === [] => 'one check shows the response',
            default => 'its checks showed a span drift of '.implode(
                ' and ',
                array_map(static fn (Figure $one): string => $one->signed().' %', $drifts),
            ),
        };

        return Tipping::byShare(
            $result->reportedFigure(),
            $limit,
            GasEquation::Corrected,
            'gain',
            'the channel read',
            $seen.Tipping::ever($this->largestEver, $drifts, 'drifted'),
        );
    }

    private function isToxic(): bool
    {
        return !\in_array($this->channel->kind, [GasKind::Oxygen, GasKind::Flammable], true);
    }

    private function code(): string
    {
        return match ($this->channel->kind) {
            GasKind::Oxygen => 'oxygen',
            GasKind::Flammable => 'flammable',
            GasKind::Photoionisation => $this->set->substance ?? Substances::ISOBUTYLENE,
            default => $this->set->substance ?? $this->channel->kind->substance() ?? $this->channel->name,
        };
    }

    private function name(): string
    {
        return match ($this->channel->kind) {
            GasKind::Oxygen => 'oxygen',
            GasKind::Flammable => 'flammable gas',
            GasKind::Photoionisation => $this->set->known?->text('name') ?? 'vapours in isobutylene units',
            GasKind::Other => $this->set->known?->text('name') ?? $this->channel->gas ?? $this->channel->name,
            default => $this->set->known?->text('name') ?? $this->channel->kind->value,
        };
    }

    private function molarMass(): ?Exact
    {
        $known = $this->set->known?->decimal('molarMass')?->value;
        if ($known !== null || $this->channel->kind === GasKind::Photoionisation) {
            return $known;
        }
        $code = $this->channel->kind->substance();

        return $code === null ? null : (Substances::shelf()->shipped()[$code] ?? null)?->decimal('molarMass')?->value;
    }

    /**
     * FC-G9: how many mg/m³ one ppm of what the unit was set to is, at 25 °C: the vapour's where its factor was set in the
     * unit, else its span gas's.
     */
    private function milligramPerPart(): Exact
    {
        $volume = ReferenceConditions::at('25', '101.325')->molarVolume($this->record->air);
        $isSet = $this->channel->kind === GasKind::Photoionisation
            && $this->set->setting->unitFactor !== null
            && $this->set->setting->unitFactor->value->compareTo(Exact::of(1)) !== 0;
        $molar = $isSet || $this->channel->kind !== GasKind::Photoionisation ? $this->molarMass() : null;

        return ($molar ?? Exact::of(self::ISOBUTYLENE))->dividedBy($volume);
    }

    private function shown(): Unit
    {
        return $this->set->setting->milligram ? Unit::MilligramPerCubicMetre : $this->channel->unit;
    }

    /** Three digits that count, and no more decimals than a monitor can tell. */
    private static function digits(Exact|float $value): int
    {
        return min(2, Digits::significant($value, 3));
    }

    private static function seconds(float $step): Exact
    {
        return Exact::of(number_format($step, 3, '.', ''));
    }
}
