<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
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
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;
use Footnote\Core\Statistics\Poisson;

/**
 * Works out a run of a particle counter (P-1, by size) or of a dust monitor (P-5).
 */
final readonly class ParticleWorkings
{
    private ParticleRecord $record;

    private ?CountingLine $line;

    private Answer $reported;

    public function __construct(private Run $run, private Bracket $bracket, private Timeline $timeline, private Policy $policy, private Yardsticks $yardsticks)
    {
        $content = $run->content;
        $this->record = $content instanceof ParticleRecord ? $content : throw new \LogicException('Not a run of a counter.');
        $this->line = (new ParticleResponse())->line($bracket, $timeline);
        $this->reported = $policy->reportedAnswer('counting');
    }

    public function results(): ParticleResults
    {
        [$results, $loss, $beyond, $gapShare, $factor, $leftOut] = [[], null, false, null, null, []];
        $log = $this->record->log;
        if ($log !== null && $this->run->stop !== null) {
            $window = new Span($this->run->start, $this->run->stop);
            $clock = new LogClock($log, $this->run);
            $leftOut = [...$this->run->pauses, ...array_map(static fn ($out): Span => $out->span, $this->run->exclusions)];
            $whole = $clock->within($window);
            $ranges = LogRanges::less($whole, array_map($clock->touching(...), $leftOut));
            $dust = $this->record->dust();
            if ($dust !== null) {
                $gapShare = $clock->missing($window, $leftOut, ValueCounts::of($log, $dust, $ranges)->gaps);
                [$results, $factor] = $this->dust($log, $dust, $whole, $ranges, $clock);
            } elseif ($this->record->sizes() !== []) {
                $counts = array_map(static fn (int $column): ValueCounts => ValueCounts::of($log, $column, $ranges), array_values($this->record->sizes()));
                $gapShare = $clock->missing($window, $leftOut, $counts[0]->gaps);
                [$results, $loss, $beyond] = $this->counts($log, $counts, $ranges, $clock);
            }
        }
        $judge = new LimitJudge();

        return new ParticleResults(
            array_map(fn (Result $result): Result => $judge->judge($result, $this->yardsticks->limits, fn (ExposureLimit $limit): array => $this->tipping($limit, $result), null, $this->bracket), $results),
            (new ParticleResponse())->drifts($this->line),
            $this->line,
            $this->timeline,
            $this->record,
            $loss,
            $beyond,
            $gapShare,
            $factor,
            $leftOut,
        );
    }

    /**
     * Concentrations by size, from each size up and between sizes.
     *
     * @param non-empty-list<ValueCounts> $counts by column
     * @param list<array{int, int}> $ranges
     *
     * @return array{list<Result>, Figure|null, bool}
     */
    private function counts(SeriesLog $log, array $counts, array $ranges, LogClock $clock): array
    {
        $sizes = array_map(strval(...), array_keys($this->record->sizes()));
        $columns = array_values($this->record->sizes());
        $own = [];
        $notes = [];
        foreach ($sizes as $place => $size) {
            [$own[$place], $notes[$place]] = $this->column($log, $columns[$place], $counts[$place], $size, $ranges, $clock);
        }
        $cumulative = $this->timeline->instrument->traits->flag('cumulative');
        $results = [];
        $largest = \count($sizes) - 1;
        $up = $own;
        if (!$cumulative) {
            for ($i = $largest - 1; $i >= 0; --$i) {
                $up[$i] = self::combined($own[$i], $up[$i + 1], 'c_≥'.$sizes[$i].' µm', 'particles from '.$sizes[$i].' µm up', Real::plus(...));
            }
        }
        foreach ($sizes as $place => $size) {
            $results[] = $this->result('count:'.$size, 'From '.$size.' µm up', $up[$place], $notes[$place]);
        }
        foreach ($sizes as $place => $size) {
            $bin = match (true) {
                !$cumulative => $own[$place],
                $place === $largest => null,
                default => self::combined($own[$place], $own[$place + 1], \sprintf('c_%s–%s µm', $size, $sizes[$place + 1]), \sprintf('particles from %s to %s µm', $size, $sizes[$place + 1]), Real::minus(...)),
            };
            if ($bin !== null && $largest > 0) {
                $results[] = $this->result('bin:'.$size, $place === $largest ? 'From '.$size.' µm up, last column' : \sprintf('From %s to %s µm', $size, $sizes[$place + 1]), $bin, []);
            }
        }
        [$loss, $beyond] = $this->coincidence($up[0] ?? null);

        return [$results, $loss, $beyond];
    }

    /**
     * P-1 of one column: counts over volume, the background taken off, with Poisson limits in words.
     *
     * @param list<array{int, int}> $ranges
     *
     * @return array{FourAnswers, list<string>}
     */
    private function column(SeriesLog $log, int $column, ValueCounts $counts, string $size, array $ranges, LogClock $clock): array
    {
        $seconds = $this->record->written->decimal('sampleSeconds')->value ?? Exact::of(number_format($log->step(), 3, '.', ''));
        $minutes = Exact::of($counts->samples)->times($seconds)->dividedBy(60);
        $sum = Exact::of(intdiv($counts->sum(), 1000));
        $origin = new Origin('log', $this->run->id, \sprintf('%s, %s of %s samples of %s s', $this->record->logName, number_format($counts->samples, 0, '.', ' '), number_format($log->length(), 0, '.', ' '), $seconds));
        $number = Figure::read('N', 'counts from '.$size.' µm', $sum, Unit::None, $origin, 0);
        $time = Figure::read('t', 'time sampled', $minutes, Unit::Minute, $origin, 2);
        if ($minutes->isZero()) {
            return [FourAnswers::none(), []];
        }
        $made = static fn (string $how, Exact|float $value, array $inputs): Figure => Figure::derived('c_≥'.$size.' µm', \sprintf('particles from %s µm, %s', $size, $how), $value, Unit::PerCubicCentimetre, ParticleEquation::Concentration, array_values(array_filter([$number, $time, ...$inputs], static fn (mixed $one): bool => $one instanceof Figure)), Digits::significant($value, 3));
        // L/min as cm³ in the time sampled.
        $volume = static fn (Exact|float $flow): Exact|float => Real::times(Real::times($flow, Exact::of(1000)), $minutes);
        $by = static function (CountingKnot $knot) use ($made, $volume, $sum, $minutes, $size): Figure {
            $background = $knot->background[$size] ?? null;
            $net = $background === null ? $sum : Real::minus($sum, Real::times($background->value, $minutes));

            return $made(\sprintf('flow and background %s at %s', $knot->asLeft ? 'as left' : 'as found', $knot->check), Real::by($net, $volume($knot->flow->value)), [$knot->flow, $background]);
        };
        $nominal = $this->timeline->instrument->traits->measured('nominalFlow');
        $flow = $nominal === null ? null : Figure::read('Q', 'nominal flow', $nominal->in(Unit::LitrePerMinute), Unit::LitrePerMinute, new Origin('instrument', $this->timeline->instrument->id, 'as registered'), 4);
        $line = $this->line;
        $answers = FourAnswers::along(
            $flow === null ? null : $made('at the nominal flow', Real::by($sum, $volume($flow->value)), [$flow]),
            $line->knots ?? [],
            $this->bracket,
            $by,
            fn (Figure $pre, ?Figure $post): ?Figure => $line === null || $post === null ? null : $made('flow and background along the bracket', $this->along($log, $column, $size, $ranges, $clock, $line, $seconds->toFloat() / 60), array_merge(...array_map(static fn (CountingKnot $knot): array => [$knot->flow, $knot->background[$size] ?? null], $line->knots))),
        );

        return [$answers, $this->limits($sum, $minutes, $size, $answers->best())];
    }

    /**
     * Two-sided 95 % limits by counting alone, of the sample and of the background, around the answer that most evidence
     * stands under.
     *
     * @return list<string>
     */
    private function limits(Exact $sum, Exact $minutes, string $size, ?Figure $best): array
    {
        $check = $this->bracket->pre;
        $content = $check?->content;
        [$flow, $t] = [$this->line?->knots[0]->flow->toFloat() ?? 0.0, $minutes->toFloat()];
        if ($check === null || !$content instanceof ParticleCheck || $flow <= 0.0 || $t <= 0.0) {
            return [];
        }
        // The flow that this answer rests on, which moved along the bracket.
        $net = $sum->toFloat() / $t - ($this->line?->knots[0]->backgroundOf($size) ?? 0.0);
        if ($best !== null && $best->toFloat() > 0.0 && $net > 0.0) {
            $flow = $net / (1000 * $best->toFloat());
        }
        [$low, $high] = Poisson::limits((int) $sum->toFloat());
        [$least, $most] = [0.0, 0.0];
        $counted = (float) ($content->written->decimal('blankMinutes')->written ?? '0');
        foreach ($content->rows('blankFound') as $row) {
            if ((float) ($row->text('size') ?? '') === (float) $size && $counted > 0) {
                [$b0, $b1] = Poisson::limits((int) ($row->decimal('value')->written ?? '0'));
                [$least, $most] = [$b0 / $counted, $b1 / $counted];
            }
        }
        $c = static function (float $counts, float $background) use ($t, $flow): string {
            $value = max(0.0, ($counts / $t - $background) / ($flow * 1000));

            return number_format($value, Digits::significant($value, 4), '.', '');
        };

        return [\sprintf('By counting alone it lies between %s and %s /cm³ (95 %%, Poisson, sample and background).', $c($low, $most), $c($high, $least))];
    }

    /** @param list<array{int, int}> $ranges */
    private function along(SeriesLog $log, int $column, string $size, array $ranges, LogClock $clock, CountingLine $line, float $minutes): float
    {
        [$sum, $samples, $begin, $toRate] = [0.0, 0, 0, 1 / (1000 * $minutes)];
        $bends = array_map(static fn (CountingKnot $knot): int => $clock->beginningFrom($knot->at), $line->knots);
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            foreach ($ranges as [$first, $after]) {
                for ($at = max($first, $begin), $to = min($after, $end); $at < $to; $at = $stop) {
                    $stop = min($to, ...array_filter($bends, static fn (int $bend): bool => $bend > $at), ...[$to]);
                    [$q, $b] = $line->at($clock->at($at), $size);
                    [$q1, $b1] = $line->at($clock->at($stop - 1), $size);
                    $steps = max(1, $stop - 1 - $at);
                    [$dq, $db] = [($q1 - $q) / $steps, ($b1 - $b) / $steps];
                    for ($i = $at - $begin; $i < $stop - $begin; ++$i) {
                        $count = $chunk[$i];
                        if ($count > SeriesLog::OVER) {
                            $sum += ($count * $toRate - $b) / $q;
                            ++$samples;
                        }
                        $q += $dq;
                        $b += $db;
                    }
                }
            }
            $begin = $end;
        }

        return $samples === 0 ? 0.0 : $sum / (1000 * $samples);
    }

    /**
     * P-4 at the smallest size.
     *
     * @return array{Figure|null, bool}
     */
    private function coincidence(?FourAnswers $answers): array
    {
        $dead = $this->timeline->instrument->traits->decimal('deadTime');
        $observed = $answers?->best();
        $flow = $this->line?->knots[0]->flow ?? null;
        if ($dead === null || $observed === null || $flow === null || $observed->toFloat() <= 0.0) {
            return [null, false];
        }
        $true = Coincidence::true($observed->toFloat(), $flow->toFloat(), $dead->value->toFloat());
        if ($true === null) {
            return [null, true];
        }

        return [Figure::derived('l', 'hidden by coincidence', 100 * (1 - $observed->toFloat() / $true), Unit::Percent, ParticleEquation::Coincidence, [$observed, $flow, Figure::read('τ', 'dead time, µs', $dead->value, Unit::None, new Origin('instrument', $this->timeline->instrument->id, 'as registered'), $dead->decimals())], 1), false];
    }

    /**
     * A photometer: its mean with the zero taken out, and scaled by a filter that was weighed for the same period.
     *
     * @param array{int, int}       $whole
     * @param list<array{int, int}> $ranges
     *
     * @return array{list<Result>, Figure|null}
     */
    private function dust(SeriesLog $log, int $column, array $whole, array $ranges, LogClock $clock): array
    {
        $raw = MovingReadings::of($log, $column, $whole, $ranges, null, null);
        if ($raw->mean === null) {
            return [[], null];
        }
        $line = ParticleResponse::zeros($this->line);
        $moving = $line !== null && !$line->isConstant() ? MovingReadings::of($log, $column, $whole, $ranges, $line, $clock) : null;
        $origin = new Origin('log', $this->run->id, $this->record->logName);
        $read = static fn (string $symbol, string $meaning, Exact|float $value): Figure => Figure::read($symbol, $meaning.', as logged', $value, Unit::MilligramPerCubicMetre, $origin, Digits::significant($value, 3));
        $mean = $this->zeroed($read('r̄', 'mean reading', $raw->mean), $moving?->mean, $line);
        $factor = $this->factor($mean);
        $minutes = Exact::of(array_sum(array_map(static fn (array $range): int => $range[1] - $range[0], $ranges)))->times(Exact::of(number_format($log->step(), 3, '.', '')))->dividedBy(60);
        $results = [$this->result('mean:dust', 'Mean, in units of the photometer', $mean, [])];
        $code = $this->record->substance?->text('code') ?? 'dust';
        $name = $this->record->substance?->text('name') ?? 'dust';
        if ($factor === null) {
            return [$results, null];
        }
        $eight = new EightHourMean(self::scaled($mean, $factor), $minutes, $this->run, $this->policy, $origin, SharedEquation::TimeWeightedAverage, static fn (Exact|float $value): int => Digits::significant($value, 3));
        $results[] = $eight->told($this->result('twa:'.$code, 'TWA over 8 h, '.$name, $eight->answers, []));
        foreach ([['stel', 'Short-term, 15 min, ', 'r₁₅', 'highest mean of 15 min', $raw->shortTerm, $moving?->shortTerm], ['peak', 'Peak, ', 'r_max', 'highest reading', $raw->highest, $moving?->highest]] as [$key, $title, $symbol, $meaning, $value, $between]) {
            if ($value !== null) {
                $results[] = $this->result($key.':'.$code, $title.$name, self::scaled($this->zeroed($read($symbol, $meaning, $value), $between, $line), $factor), []);
            }
        }

        return [$results, $factor];
    }

    private static function scaled(FourAnswers $answers, Figure $factor): FourAnswers
    {
        return $answers->each(static fn (Figure $one): Figure => Figure::derived('c', $one->meaning.', by the factor', Real::times($one->value, $factor->value), Unit::MilligramPerCubicMetre, ParticleEquation::Photometer, [$one, $factor], Digits::significant($one->value, 3)));
    }

    /**
     * P-5: by the filter of the same period, else a factor of another day; null where there is neither.
     */
    private function factor(FourAnswers $mean): ?Figure
    {
        $weighed = $this->record->written->decimal('weighed');
        $best = $mean->best();
        if ($weighed !== null && $best !== null && !Real::isZero($best->value)) {
            $filter = Figure::read('c_grav', 'filter of the same period', $weighed->value, Unit::MilligramPerCubicMetre, new Origin('run', $this->run->id, $this->record->written->text('weighedFrom') ?? 'as written'), $weighed->decimals());

            return Figure::derived('k', 'factor of the photometer', Real::by($weighed->value, $best->value), Unit::None, ParticleEquation::Photometer, [$filter, $best], 2);
        }
        $typed = $this->record->written->decimal('photometerFactor');

        return $typed === null ? null : Figure::read('k', 'factor of the photometer, from another day', $typed->value, Unit::None, new Origin('run', $this->run->id, 'as written'), $typed->decimals());
    }

    private function zeroed(Figure $raw, Exact|float|null $between, ?LinearLine $line): FourAnswers
    {
        $by = static fn (LinearKnot $knot): Figure => Figure::derived('c', \sprintf('%s, zero %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check), Real::minus($raw->value, $knot->zero->value), $raw->unit, ParticleEquation::Concentration, [$raw, $knot->zero], $raw->decimals);

        return FourAnswers::along($raw, $line->knots ?? [], $this->bracket, $by, static fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $between === null => $pre,
            default => Figure::derived('c', $raw->meaning.', zero along the bracket', $between, $raw->unit, ParticleEquation::Concentration, [$raw, ...array_map(static fn (LinearKnot $knot): Figure => $knot->zero, $line->knots)], $raw->decimals),
        });
    }

    /** @param \Closure(Exact|float, Exact|float): (Exact|float) $how */
    private static function combined(FourAnswers $one, FourAnswers $other, string $symbol, string $meaning, \Closure $how): FourAnswers
    {
        return $one->with($other, static function (Figure $a, Figure $b) use ($symbol, $meaning, $how): Figure {
            $value = $how($a->value, $b->value);

            return Figure::derived($symbol, $meaning, $value, Unit::PerCubicCentimetre, ParticleEquation::Concentration, [$a, $b], Digits::significant($value, 3));
        });
    }

    /**
     * @param list<string> $notes
     */
    private function result(string $key, string $title, FourAnswers $answers, array $notes): Result
    {
        return Result::of($key, $title, $this->reported, $answers, $notes);
    }

    /**
     * A concentration falls as the flow grows.
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
        $tipping = Figure::derived('e*', 'error of flow at which it sits on the limit', $error, Unit::Percent, ParticleEquation::Concentration, [$figure], 1);
        $drifts = array_map(static fn (Figure $drift): string => $drift->signed().' %', (new ParticleResponse())->drifts($this->line));

        return [$tipping, \sprintf('It turns if the true flow was %s %% %s than worked out with; %s.', ltrim($tipping->shown(), '-'), Real::compare($error, Exact::zero()) >= 0 ? 'higher' : 'lower', $drifts === [] ? 'no change of flow is known' : 'its checks showed a change of '.implode(' and ', $drifts))];
    }
}
