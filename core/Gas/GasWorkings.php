<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\EightHourMean;
use Footnote\Core\Judgement\ExposureLimit;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\LimitJudge;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\LogRanges;
use Footnote\Core\Log\MovingReadings;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\ValueCounts;
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

    public function __construct(
        private Run $run,
        private Bracket $bracket,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $this->channel = Channel::named($timeline->instrument, $timeline->channel) ?? throw new \LogicException('There is no channel '.$timeline->channel.'.');
        $content = $run->content;
        $this->record = $content instanceof GasRecord ? $content : throw new \LogicException('Not a run of a monitor.');
        $this->set = $this->record->channel($this->channel->name);
        $this->factor = Factor::of($this->channel, $this->set);
        $this->response = new GasResponse($this->channel);
        $this->line = $this->response->line($bracket, $timeline);
        $this->unsaved = $this->lost();
        $this->conditions = self::conditions($yardsticks);
        $this->undone = $this->factor->undone->times($this->set->milligram ? $this->milligramPerPart() : Exact::of(1));
        $policyAnswer = $policy->reportedAnswer('linear');
        // A wrong value set at the span is set right by rule, whatever the policy reports otherwise.
        $this->reported = self::wrongValue($bracket, $timeline, $this->response) !== null && $policyAnswer === Answer::Indicated ? Answer::Between : $policyAnswer;
        $this->largestEver = GasHistory::of($timeline, $bracket->post->at ?? $run->stop ?? $run->start)->largest();
    }

    /**
     * The check before the run at which the unit was spanned to another value than the label's.
     *
     * @return array{check: Check, entered: Exact, label: Figure}|null
     */
    public static function wrongValue(Bracket $bracket, Timeline $timeline, GasResponse $response): ?array
    {
        $check = $bracket->pre;
        $content = $check?->content;
        if ($check === null || !$content instanceof ChannelCheck || !$content->spanAdjusted) {
            return null;
        }
        [$entered, $label] = [GasResponse::expected($content), $response->label($check, $content, $timeline)];

        return $entered === null || $label === null || $entered->compareTo($response->exact($label)) === 0 ? null : ['check' => $check, 'entered' => $entered, 'label' => $label];
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
        $stop = $this->run->stop;
        $log = $this->record->log;
        $column = $this->record->column($this->channel->name);
        [$results, $testGas, $leftOut, $gapShare, $lost, $overs, $hollow] = [[], [], [], null, null, 0, 0];
        if ($stop !== null && $log !== null && $column !== null) {
            $window = new Span($this->run->start, $stop);
            $clock = new LogClock($log, $this->run);
            $testGas = TestGas::in($this->record, $this->run, $this->timeline, $this->policy);
            $leftOut = array_values(array_filter([...array_map(static fn (TestGas $one): Span => $one->span, $testGas), ...$this->run->pauses, ...array_map(static fn ($out): Span => $out->span, $this->run->exclusions)], static fn (Span $span): bool => $span->overlaps($window)));
            $whole = $clock->within($window);
            $ranges = LogRanges::less($whole, array_map($clock->touching(...), $leftOut));
            $counts = ValueCounts::of($log, $column, $ranges);
            $inLog = array_sum(array_map(static fn (array $range): int => $range[1] - $range[0], $ranges));
            $gapShare = $clock->missing($window, $leftOut, $counts->gaps);
            $lost = max(0.0, Span::secondsBetween($this->run->start, $clock->at(0)));
            $overs = $counts->overs;
            if ($counts->samples > 0) {
                [$results, $hollow] = $this->fromLog($log, $column, $whole, $ranges, $clock, $counts, Exact::of($inLog)->times(self::seconds($log->step()))->dividedBy(60));
            }
        } elseif ($stop !== null && $this->set->hasTotals()) {
            $results = $this->fromDisplay();
        }
        $judge = new LimitJudge();

        return new ChannelResults(
            $this->channel,
            $this->set,
            $this->record,
            $this->factor,
            $this->timeline,
            $this->bracket,
            array_map(fn (Result $result): Result => $judge->judge($result, $this->yardsticks->limits, fn (ExposureLimit $limit): array => $this->tipping($limit, $result), null, $this->bracket), $results),
            $this->response->drifts($this->line, $this->bracket, $this->timeline),
            $this->line,
            $testGas,
            $leftOut,
            GasResponse::rezeroed($this->bracket, $this->timeline),
            $gapShare,
            $lost,
            $overs,
            $hollow,
            $this->unsaved,
            $this->largestEver,
        );
    }

    /** The response as found, where the adjustment before the run may not have been saved. */
    private function lost(): ?LinearKnot
    {
        $content = $this->bracket->pre?->content;

        return $this->bracket->pre !== null && $content instanceof ChannelCheck && $content->spanAdjusted && $content->saved === false ? $this->response->asFound($this->bracket->pre, $this->timeline) : null;
    }

    /**
     * @param array{int, int}       $whole
     * @param list<array{int, int}> $ranges
     *
     * @return array{list<Result>, int} and the hollow windows
     */
    private function fromLog(SeriesLog $log, int $column, array $whole, array $ranges, LogClock $clock, ValueCounts $counts, Exact $minutes): array
    {
        $raw = MovingReadings::of($log, $column, $whole, $ranges, null, null);
        $moves = $this->line !== null && !$this->line->isConstant();
        $limits = $this->limitsAbove();
        $scale = ($this->factor->applied->value ?? Exact::of(1));
        $thresholds = array_map(static fn (ExposureLimit $limit): float => $limit->value->value->toFloat() / Real::toFloat($scale), $limits);
        $moving = $moves ? MovingReadings::of($log, $column, $whole, $ranges, $this->line, $clock, $this->undone->toFloat(), $thresholds) : null;
        $origin = new Origin('log', $this->run->id, \sprintf('%s, %s of %s readings every %s s', $this->record->logName, number_format($counts->samples, 0, '.', ' '), number_format($log->length(), 0, '.', ' '), rtrim(rtrim(number_format($log->step(), 3, '.', ''), '0'), '.')));
        $read = fn (string $symbol, string $meaning, Exact|float $value): Figure => Figure::read($symbol, $meaning.', as logged', $value, $this->shown(), $origin, $this->isToxic() ? self::digits($value) : 1);
        $results = [];
        if ($raw->mean !== null) {
            array_push($results, ...$this->mean($read('r̄', 'mean reading', $raw->mean), $moving?->mean, $minutes, $origin));
        }
        if ($raw->shortTerm !== null && $this->isToxic()) {
            array_push($results, ...$this->inUnits('stel', 'Short-term, 15 min, ', $this->answers($read('r₁₅', 'highest mean of 15 min', $raw->shortTerm), $moving?->shortTerm), GasEquation::Exposure, $raw->hollow > 0 ? [\sprintf('%d windows of 15 min hold less than 75 %% of their readings and count for no limit.', $raw->hollow)] : []));
        }
        if ($raw->highest !== null) {
            array_push($results, ...$this->inUnits('peak', $this->channel->kind === GasKind::Oxygen ? 'Highest, ' : 'Peak, ', $this->answers($read('r_max', 'highest reading', $raw->highest), $moving?->highest)));
        }
        if ($raw->lowest !== null && $this->channel->kind === GasKind::Oxygen) {
            array_push($results, ...$this->inUnits('lowest', 'Lowest, ', $this->answers($read('r_min', 'lowest reading', $raw->lowest), $moving?->lowest), worstIsLow: true));
        }
        foreach ($limits as $place => $limit) {
            $results[] = $this->timeAbove($limit, $counts, $moving?->above[$place] ?? null, $log->step(), $origin);
        }

        return [$results, $raw->hollow];
    }

    /** @return list<Result> */
    private function fromDisplay(): array
    {
        $origin = new Origin('run', $this->run->id, 'read off the display');
        $read = fn (string $symbol, string $meaning, \Footnote\Core\Quantity\Decimal $value): Figure => Figure::read($symbol, $meaning.', as the display showed', $value->value, $this->shown(), $origin, max(1, $value->decimals()));
        $results = [];
        if ($this->set->mean !== null) {
            $mean = $read('r̄', 'mean reading', $this->set->mean);
            $minutes = Exact::of(number_format($this->run->runningSeconds(), 3, '.', ''))->dividedBy(60);
            $between = null;
            if ($this->line !== null && \count($this->line->knots) > 1 && $this->run->stop !== null) {
                [$z, $g] = $this->line->mean(new Span($this->run->start, $this->run->stop));
                $between = ($mean->toFloat() / $this->undone->toFloat() - $z) / $g;
            }
            array_push($results, ...$this->mean($mean, $between, $minutes, $origin));
        }
        foreach ([['stel', 'Short-term, 15 min, ', 'r₁₅', 'highest mean of 15 min', $this->set->shortTerm], ['peak', 'Peak, ', 'r_max', 'highest reading', $this->set->peak], ['lowest', 'Lowest, ', 'r_min', 'lowest reading', $this->set->lowest]] as [$key, $title, $symbol, $meaning, $value]) {
            if ($value !== null) {
                array_push($results, ...$this->inUnits($key, $title, $this->answers($read($symbol, $meaning, $value), null), GasEquation::Exposure, ['No moment is known for it, so that no answer lies in between.'], $key === 'lowest'));
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
        $eight = EightHourMean::of($mean, $minutes, $this->run, $this->policy, $origin, GasEquation::Exposure, self::digits(...));

        return $this->inUnits('twa', 'TWA over 8 h, ', $eight->answers, GasEquation::Exposure, $eight->notes);
    }

    /** G-2 and G-4: the four answers to one raw reading. */
    private function answers(Figure $raw, Exact|float|null $between): FourAnswers
    {
        $sensor = $this->undone->compareTo(Exact::of(1)) === 0 ? $raw : Figure::derived('r', $raw->meaning.', before what was applied to it', Real::by($raw->value, $this->undone), $this->channel->unit, GasEquation::Factor, [$raw, Figure::read('F', 'applied by the unit or by hand', $this->undone, Unit::None, new Origin('run', $this->run->id, 'as the unit was set'), 3)], 2);
        $by = fn (LinearKnot $knot): ?Figure => Real::isZero($knot->gain->value) ? null : Figure::derived('c', \sprintf('%s, response %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check), Real::by(Real::minus($sensor->value, $knot->zero->value), $knot->gain->value), $this->channel->unit, GasEquation::Corrected, [$sensor, $knot->zero, $knot->gain], self::digits($sensor->value));
        $line = $this->line;
        $moved = fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $line->isConstant() => $pre,
            $between === null => null,
            default => Figure::derived('c', $raw->meaning.', response along the bracket', $between, $this->channel->unit, GasEquation::Corrected, [$sensor, ...array_merge(...array_map(static fn (LinearKnot $knot): array => [$knot->zero, $knot->gain], $line->knots))], self::digits($between)),
        };
        $answers = FourAnswers::along($sensor, $line->knots ?? [], $this->bracket, $by, $moved);
        $unsaved = $this->unsaved === null ? null : $by($this->unsaved);

        return ($unsaved === null ? $answers : $answers->alsoBy($unsaved))->each($this->factored(...));
    }

    private function factored(Figure $one): Figure
    {
        $factor = $this->factor->applied;

        return $factor === null ? $one : Figure::derived('c', $one->meaning.', as '.($this->set->known?->text('name') ?? 'vapour'), Real::times($one->value, $factor->value), $one->unit, GasEquation::Factor, [$one, $factor], self::digits($one->value));
    }

    /**
     * A result in the channel's unit, and in mg/m³ where its molar mass is known.
     *
     * @param list<string> $notes
     *
     * @return list<Result>
     */
    private function inUnits(string $key, string $title, FourAnswers $answers, GasEquation $by = GasEquation::Corrected, array $notes = [], bool $worstIsLow = false): array
    {
        $name = $this->name();
        $code = $this->code();
        $isPpm = $this->channel->unit === Unit::PartsPerMillion;
        $results = [$this->result(($isPpm ? $key.'-ppm' : $key).':'.$code, $title.$name, $answers, [...$notes, ...($this->factor->missing ? ['In isobutylene units: the factor of '.$name.' with this lamp is not known.'] : [])], $worstIsLow)];
        $molar = $this->molarMass();
        if ($isPpm && $molar !== null && !$this->factor->missing) {
            $volume = $this->conditions->molarVolume($this->record->air);
            $figures = [Figure::read('V_m', 'molar volume at '.$this->conditions->name, $volume, Unit::LitrePerMole, new Origin('criterion', $this->conditions->id, $this->conditions->volumeSource()), 3), Figure::read('M', 'molar mass of '.$name, $molar, Unit::GramPerMole, new Origin('library', $code, 'library of substances'), 2)];
            $mass = $answers->each(static fn (Figure $one): Figure => Figure::derived($one->symbol, $one->meaning.', by mass', Real::times($one->value, $molar->dividedBy($volume)), Unit::MilligramPerCubicMetre, SharedEquation::PartsPerMillion, [$one, ...$figures], self::digits(Real::times($one->value, $molar->dividedBy($volume)))));
            $results[] = $this->result($key.':'.$code, $title.$name, $mass, [...$notes, 'Stated at '.$this->conditions->name.'.'], $worstIsLow);
        }

        return $results;
    }

    /** How long the reading lay above a limit, with a constant response by counting, along the bracket interval by interval. */
    private function timeAbove(ExposureLimit $limit, ValueCounts $counts, ?int $between, float $step, Origin $origin): Result
    {
        $wanted = Real::by($limit->value->value, $this->factor->applied->value ?? Exact::of(1));
        $minutes = static fn (int $intervals): Exact => Exact::of($intervals)->times(self::seconds($step))->dividedBy(60);
        $logged = Figure::read('r', 'readings, as logged', $counts->samples, $this->shown(), $origin, 0);
        $value = Figure::read('L', $limit->title, $limit->value->value, Unit::tryFrom($limit->unit) ?? Unit::None, new Origin('criterion', $limit->id, $limit->source), $limit->value->decimals());
        $above = fn (?LinearKnot $knot): int => $counts->above(1000 * $this->undone->toFloat() * ($knot === null ? Real::toFloat($wanted) : $knot->zero->toFloat() + $knot->gain->toFloat() * Real::toFloat($wanted)));
        $answers = FourAnswers::along(
            self::minutesAbove($limit, 'as logged', $minutes($above(null)), [$logged, $value]),
            $this->line->knots ?? [],
            $this->bracket,
            static fn (LinearKnot $knot): Figure => self::minutesAbove($limit, \sprintf('response at %s', $knot->check), $minutes($above($knot)), [$logged, $value, $knot->zero, $knot->gain]),
            static fn (Figure $pre, ?Figure $post): ?Figure => $post === null ? null : ($between === null ? $pre : self::minutesAbove($limit, 'response along the bracket', $minutes($between), [$logged, $value])),
        );

        return $this->result('above-'.$limit->id.':'.$this->code(), \sprintf('Time above %s %s, %s', $limit->value->written, $limit->unit, $this->name()), $answers, ['Moments above a limit that is for a mean are no breach of it.'], false);
    }

    /** @param list<Figure> $inputs */
    private static function minutesAbove(ExposureLimit $limit, string $how, Exact $minutes, array $inputs): Figure
    {
        return Figure::derived('t', \sprintf('time above %s %s, %s', $limit->value->written, $limit->unit, $how), $minutes, Unit::Minute, GasEquation::Exposure, $inputs, 1);
    }

    /**
     * @param list<string> $notes
     */
    private function result(string $key, string $title, FourAnswers $answers, array $notes, bool $worstIsLow): Result
    {
        return Result::of($key, $title, $this->reported, $answers, $notes, $this->channel->name, $worstIsLow);
    }

    /** @return list<ExposureLimit> the limits in the unit of the channel that its readings can lie above, each value once */
    private function limitsAbove(): array
    {
        $limits = [];
        foreach ($this->yardsticks->limits as $limit) {
            if (\in_array($limit->quantity, ['twa-ppm:'.$this->code(), 'stel-ppm:'.$this->code(), 'peak-ppm:'.$this->code(), 'peak:'.$this->code()], true) && $limit->unit === $this->channel->unit->value && !$this->factor->missing) {
                $limits[$limit->value->written] ??= $limit;
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
        $figure = $result->reportedFigure();
        if ($limit->value->value->isZero() || Real::compare($figure->value, Exact::zero()) <= 0) {
            return [null, 'There is nothing to set against the limit.'];
        }
        $error = Real::times(Real::minus(Real::by($figure->value, $limit->value->value), Exact::of(1)), Exact::of(100));
        $tipping = Figure::derived('e*', 'error of gain at which it sits on the limit', $error, Unit::Percent, GasEquation::Corrected, [$figure], 1);
        $drifts = array_map(static fn (array $drift): string => $drift['span']->signed().' %', $this->response->drifts($this->line, $this->bracket, $this->timeline));
        $seen = $this->line === null ? 'no check shows the response' : ($drifts === [] ? 'one check shows the response' : 'its checks showed a span drift of '.implode(' and ', $drifts));
        $ever = $this->largestEver === null ? '' : \sprintf('; the most it ever drifted is %s %%', $this->largestEver->signed());

        return [$tipping, \sprintf('It turns if the channel read %s %% %s than worked out with; %s%s.', ltrim($tipping->shown(), '-'), Real::compare($error, Exact::zero()) >= 0 ? 'higher' : 'lower', $seen, $ever)];
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

    /** How many mg/m³ one ppm of what the unit was set to is, at 25 °C. */
    private function milligramPerPart(): Exact
    {
        $molar = $this->molarMass() ?? Exact::of('56.11');

        return $molar->dividedBy(ReferenceConditions::at('25', '101.325')->molarVolume($this->record->air));
    }

    private function shown(): Unit
    {
        return $this->set->milligram ? Unit::MilligramPerCubicMetre : $this->channel->unit;
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
