<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Confidence;
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
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;
use Footnote\Core\Response\LinearKnot;
use Footnote\Core\Response\LinearLine;

/**
 * Works out a run of a particle counter (P-1, by size) or of a dust monitor (P-5).
 */
final readonly class ParticleWorkings
{
    /** Seconds to 90 % of most photometers (common practice). */
    private const RESPONSE = 10.0;

    private ParticleRecord $record;

    private ?CountingLine $line;

    private Answer $reported;

    private Bracket $bracket;

    private ?Segment $segment;

    /** The part of the run that stands. */
    private Span $window;

    /** @param Bracket $whole as it was found; a declared segment closes it earlier */
    public function __construct(
        private Run $run,
        Bracket $whole,
        private Timeline $timeline,
        private Policy $policy,
        private Yardsticks $yardsticks,
    ) {
        $content = $run->content;
        $this->record = $content instanceof ParticleRecord ? $content : throw new \LogicException('Not a run of a counter.');
        $this->segment = Segment::of($run, $whole, $this->record->log !== null, $this->fails(...));
        $this->bracket = $this->segment->bracket ?? $whole;
        $this->window = new Span($run->timing->start, $this->segment->span->to ?? $run->timing->stop ?? $run->timing->start);
        $this->line = (new ParticleResponse())->line($this->bracket, $timeline);
        $this->reported = $policy->reportedAnswer('counting');
    }

    /** Whether the flow changed more along a bracket than the policy allows. */
    private function fails(Bracket $bracket): bool
    {
        $limit = $this->policy->limit('particle.flow', 'change');
        $response = new ParticleResponse();

        return $limit?->isKeptBySizes($response->drifts($response->line($bracket, $this->timeline))) === false;
    }

    public function results(): ParticleResults
    {
        $made = ['results' => [], 'loss' => null, 'beyond' => false, 'factor' => null];
        $alterations = [];
        $gapShare = null;
        $leftOut = [];
        $log = $this->record->log;
        if ($log !== null && $this->run->timing->stop !== null) {
            $clock = new LogClock($log, $this->run);
            $alterations = LogAlterations::of($this->run, $this->window, [], $log->remarks());
            $leftOut = LogAlterations::taken($alterations);
            $column = $this->record->dust() ?? array_values($this->record->sizes())[0] ?? null;
            $gapShare = $column === null
                ? null
                : $clock->missing($this->window, $leftOut, ValueCounts::of($log, $column, $this->ranges($clock, $leftOut))->gaps);
            $made = $this->made($log, $clock, $leftOut);
            $otherwise = LogAlterations::otherwise($alterations, fn (array $out): array => $this->made($log, $clock, $out)['results']);
            $made['results'] = array_map(static fn (Result $one): Result => $one->altered(...$otherwise($one)), $made['results']);
        }
        $judge = new LimitJudge();

        $judged = array_map(
            fn (Result $result): Result => $judge->judge(
                $result,
                $this->yardsticks->limits,
                fn (ExposureLimit $limit): array => $this->tipping($limit, $result, $made['factor']),
                static fn (Result $one, ExposureLimit $limit): ?Confidence => ($made['limits']['='.$one->key] ?? null)?->against($limit),
                $this->bracket,
            ),
            $made['results'],
        );

        return new ParticleResults(
            new WorkedOut($judged, (new ParticleResponse())->drifts($this->line), $alterations, $this->segment, $leftOut),
            $this->line,
            $this->timeline,
            $this->record,
            new Hidden($made['loss'], $made['beyond']),
            $gapShare,
            $made['factor'],
        );
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

    /**
     * @param list<Span> $leftOut
     *
     * @return array{
     *     results: list<Result>,
     *     loss: Figure|null,
     *     beyond: bool,
     *     factor: Figure|null,
     *     limits?: array<string, CountingLimits|null>,
     * }
     */
    private function made(SeriesLog $log, LogClock $clock, array $leftOut): array
    {
        $ranges = $this->ranges($clock, $leftOut);
        $dust = $this->record->dust();
        if ($dust !== null) {
            [$results, $factor] = $this->dust($log, $dust, $clock->within($this->window), $ranges, $clock);

            return ['results' => $results, 'loss' => null, 'beyond' => false, 'factor' => $factor];
        }

        return [...$this->counts($log, $ranges, $clock), 'factor' => null];
    }

    /**
     * Concentrations by size, from each size up and between sizes.
     *
     * @param list<array{int, int}> $ranges
     *
     * @return array{results: list<Result>, loss: Figure|null, beyond: bool, limits: array<string, CountingLimits|null>}
     */
    private function counts(SeriesLog $log, array $ranges, LogClock $clock): array
    {
        $sizes = array_map(strval(...), array_keys($this->record->sizes()));
        $columns = array_values($this->record->sizes());
        $counts = array_map(static fn (int $column): ValueCounts => ValueCounts::of($log, $column, $ranges), $columns);
        $own = [];
        foreach ($sizes as $place => $size) {
            $own[$place] = $this->column($log, $columns[$place], $counts[$place], $size, $ranges, $clock);
        }
        $cumulative = $this->timeline->instrument->traits->flag('cumulative');
        $largest = \count($sizes) - 1;
        $up = $own;
        if (!$cumulative) {
            for ($i = $largest - 1; $i >= 0; --$i) {
                $up[$i] = self::combined(
                    $own[$i],
                    $up[$i + 1],
                    'c_≥'.$sizes[$i].' µm',
                    'particles from '.$sizes[$i].' µm up',
                    Real::plus(...),
                );
            }
        }
        $results = [];
        $limits = [];
        foreach ($sizes as $place => $size) {
            if ($up[$place]->isEmpty()) {
                continue;
            }
            // A number from a size up is of all columns that make it up, and so are its limits.
            $last = $cumulative ? $place : $largest;
            $sum = array_reduce(
                \array_slice($counts, $place, $last - $place + 1),
                static fn (Exact $sum, ValueCounts $one): Exact => $sum->plus(Exact::of(intdiv($one->sum(), 1000))),
                Exact::zero(),
            );
            $best = $up[$place]->best();
            $limits['=count:'.$size] = $best === null
                ? null
                : CountingLimits::of(
                    \array_slice($sizes, $place, $last - $place + 1),
                    $sum,
                    $this->minutes($log, $counts[$place]),
                    $this->bracket,
                    $best,
                    $this->line?->knots[0]->flow->toFloat() ?? 0.0,
                );
            $results[] = $this->result(
                'count:'.$size,
                'From '.$size.' µm up',
                $up[$place],
                $limits['=count:'.$size] === null ? [] : [$limits['=count:'.$size]->words()],
            )->notPlain();
        }
        foreach ($sizes as $place => $size) {
            $bin = match (true) {
                !$cumulative => $own[$place],
                $place === $largest => FourAnswers::none(),
                default => self::combined(
                    $own[$place],
                    $own[$place + 1],
                    \sprintf('c_%s–%s µm', $size, $sizes[$place + 1]),
                    \sprintf('particles from %s to %s µm', $size, $sizes[$place + 1]),
                    Real::minus(...),
                ),
            };
            if (!$bin->isEmpty() && $largest > 0) {
                $results[] = $this->result(
                    'bin:'.$size,
                    $place === $largest ? 'From '.$size.' µm up, last column' : \sprintf('From %s to %s µm', $size, $sizes[$place + 1]),
                    $bin,
                    [],
                )->notPlain();
            }
        }
        [$loss, $beyond, $alternatives, $words] = $this->coincidence($up[0] ?? null);

        return [
            'results' => array_map(static fn (Result $one): Result => self::hidden($one, $alternatives, $words), $results),
            'loss' => $loss,
            'beyond' => $beyond,
            'limits' => $limits,
        ];
    }

    /**
     * FC-B10: what coincidence hides hides all sizes alike.
     *
     * @param array<string, float> $alternatives how many times as many there may have been, by what it would take
     */
    private static function hidden(Result $result, array $alternatives, ?string $words): Result
    {
        $figure = $result->reportedFigure();
        foreach ($alternatives as $what => $times) {
            $result = $result->or($what, $figure->of($figure->toFloat() * $times));
        }

        return $words === null || !str_starts_with($result->key, 'count') ? $result : $result->noting($words);
    }

    private function minutes(SeriesLog $log, ValueCounts $counts): Exact
    {
        return Exact::of($counts->samples)->times($this->seconds($log))->dividedBy(60);
    }

    private function seconds(SeriesLog $log): Exact
    {
        return $this->record->written->decimal('sampleSeconds')->value ?? Exact::of(number_format($log->step(), 3, '.', ''));
    }

    /**
     * P-1 of one column: counts over volume, the background taken off.
     *
     * @param list<array{int, int}> $ranges
     */
    private function column(SeriesLog $log, int $column, ValueCounts $counts, string $size, array $ranges, LogClock $clock): FourAnswers
    {
        $seconds = $this->seconds($log);
        $minutes = $this->minutes($log, $counts);
        $sum = Exact::of(intdiv($counts->sum(), 1000));
        $origin = new Origin(
            'log',
            $this->run->id,
            \sprintf(
                '%s, %s of %s samples of %s s',
                $this->record->logName,
                number_format($counts->samples, 0, '.', ' '),
                number_format($log->length(), 0, '.', ' '),
                $seconds,
            ),
        );
        $number = Figure::read('N', 'counts from '.$size.' µm', $sum, Unit::None, $origin, 0);
        $time = Figure::read('t', 'time sampled', $minutes, Unit::Minute, $origin, 2);
        if ($minutes->isZero()) {
            return FourAnswers::none();
        }
        $made = static fn (string $how, Exact|float $value, array $inputs): Figure => Figure::derived(
            'c_≥'.$size.' µm',
            \sprintf('particles from %s µm, %s', $size, $how),
            $value,
            Unit::PerCubicCentimetre,
            ParticleEquation::Concentration,
            array_values(array_filter([$number, $time, ...$inputs], static fn (mixed $one): bool => $one instanceof Figure)),
            Digits::significant($value, 3),
        );
        // L/min as cm³ in the time sampled.
        $volume = static fn (Exact|float $flow): Exact|float => Real::times(Real::times($flow, Exact::of(1000)), $minutes);
        $by = static function (CountingKnot $knot) use ($made, $volume, $sum, $minutes, $size): Figure {
            $background = $knot->background[$size] ?? null;
            $net = $background === null ? $sum : Real::minus($sum, Real::times($background->value, $minutes));

            return $made(
                \sprintf('flow and background %s at %s', $knot->asLeft ? 'as left' : 'as found', $knot->check),
                Real::by($net, $volume($knot->flow->value)),
                [$knot->flow, $background],
            );
        };
        $nominal = $this->timeline->instrument->traits->measured('nominalFlow');
        $flow = $nominal === null
            ? null
            : Figure::read(
                'Q',
                'nominal flow',
                $nominal->in(Unit::LitrePerMinute),
                Unit::LitrePerMinute,
                new Origin('instrument', $this->timeline->instrument->id, 'as registered'),
                4,
            );
        $line = $this->line;

        return FourAnswers::along(
            $flow === null ? null : $made('at the nominal flow', Real::by($sum, $volume($flow->value)), [$flow]),
            $line->knots ?? [],
            $this->bracket,
            $by,
            fn (Figure $pre, ?Figure $post): ?Figure => $line === null || $post === null
                ? null
                : $made(
                    'flow and background along the bracket',
                    $this->along($log, $column, $size, $ranges, $clock, $line, $seconds->toFloat() / 60),
                    array_merge(
                        ...array_map(
                            static fn (CountingKnot $knot): array => [$knot->flow, $knot->background[$size] ?? null],
                            $line->knots,
                        ),
                    ),
                ),
        );
    }

    /** @param list<array{int, int}> $ranges */
    private function along(
        SeriesLog $log,
        int $column,
        string $size,
        array $ranges,
        LogClock $clock,
        CountingLine $line,
        float $minutes,
    ): float {
        $sum = 0.0;
        $samples = 0;
        $begin = 0;
        $toRate = 1 / (1000 * $minutes);
        $bends = array_map(static fn (CountingKnot $knot): int => $clock->beginningFrom($knot->at), $line->knots);
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            foreach ($ranges as [$first, $after]) {
                for ($at = max($first, $begin), $to = min($after, $end); $at < $to; $at = $stop) {
                    $stop = min($to, ...array_filter($bends, static fn (int $bend): bool => $bend > $at), ...[$to]);
                    [$q, $b] = $line->at($clock->at($at), $size);
                    [$q1, $b1] = $line->at($clock->at($stop - 1), $size);
                    $steps = max(1, $stop - 1 - $at);
                    $dq = ($q1 - $q) / $steps;
                    $db = ($b1 - $b) / $steps;
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
     * @return array{Figure|null, bool, array<string, float>, string|null} the share that is hidden; whether more was counted
     *                                                                     than can be; what else there may have been; words
     */
    private function coincidence(?FourAnswers $answers): array
    {
        $dead = $this->timeline->instrument->traits->decimal('deadTime');
        $observed = $answers?->best();
        $flow = $this->line?->knots[0]->flow ?? null;
        if ($dead === null || $observed === null || $flow === null || $observed->toFloat() <= 0.0) {
            return [null, false, [], $dead === null ? 'Its dead time is not registered: what coincidence hides is not known.' : null];
        }
        $n = $observed->toFloat();
        $q = $flow->toFloat();
        $tau = $dead->value->toFloat();
        $true = Coincidence::true($n, $q, $tau);
        $high = Coincidence::high($n, $q, $tau);
        if ($true === null || $high === null) {
            return [null, $true === null, [], null];
        }
        $loss = Figure::derived(
            'l',
            'hidden by coincidence',
            100 * (1 - $n / $true),
            Unit::Percent,
            ParticleEquation::Coincidence,
            [
                $observed,
                $flow,
                Figure::read(
                    'τ',
                    'dead time, µs',
                    $dead->value,
                    Unit::None,
                    new Origin('instrument', $this->timeline->instrument->id, 'as registered'),
                    $dead->decimals(),
                ),
            ],
            1,
        );
        $shown = static fn (float $value): string => number_format($value, Digits::significant($value, 3), '.', '');
        $diluted = $this->record->written->decimal('diluted')?->value->toFloat();
        $isLow = $diluted !== null && $diluted > 0.0 && abs(log($diluted / $true)) < abs(log($diluted / $high));
        $words = \sprintf(
            'So many are counted where %s /cm³ are there, and where %s are there, since most of those hide each other.%s',
            $shown($true),
            $shown($high),
            match (true) {
                $diluted === null => ' Only a reading through a diluter tells which.',
                $isLow => \sprintf(' Through a diluter there were %s: the first.', $shown($diluted)),
                default => \sprintf(' Through a diluter there were %s: the second.', $shown($diluted)),
            },
        );

        return [
            $loss,
            false,
            ['with what coincidence hides' => $true / $n, ...($isLow ? [] : ['where most of them hide each other' => $high / $n])],
            $words,
        ];
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
        $read = static fn (string $symbol, string $meaning, Exact|float $value, bool $over): Figure => Figure::read(
            $symbol,
            $meaning.', as logged',
            $value,
            Unit::MilligramPerCubicMetre,
            $origin,
            Digits::significant($value, 3),
        )->bounded($over ? Bound::AtLeast : null);
        $mean = $this->zeroed($read('r̄', 'mean reading', $raw->mean, $raw->over), $moving?->mean, $line);
        $factor = $this->factor($mean);
        $minutes = Exact::of(
            array_sum(array_map(static fn (array $range): int => $range[1] - $range[0], $ranges)),
        )->times(Exact::of(number_format($log->step(), 3, '.', '')))->dividedBy(60);
        $results = [$this->result('mean:dust', 'Mean, in units of the photometer', $mean, [])];
        $code = $this->record->substance?->text('code') ?? 'dust';
        $name = $this->record->substance?->text('name') ?? 'dust';
        if ($factor === null) {
            return [$results, null];
        }
        $moment = $log->columns()[$column]->statistic === 'maximum' || $log->step() <= self::RESPONSE
            ? null
            : \sprintf('the log holds means of %s s: at any moment it may have been more', Digits::trimmed($log->step(), 1));
        $eight = new EightHourMean(
            self::scaled($mean, $factor),
            $minutes,
            $this->run,
            $this->policy,
            $origin,
            SharedEquation::TimeWeightedAverage,
            static fn (Exact|float $value): int => Digits::significant($value, 3),
        );
        $results[] = $eight->told($this->result('twa:'.$code, 'TWA over 8 h, '.$name, $eight->answers, [])->notPlain());
        foreach ([
            ['stel', 'Short-term, 15 min, ', 'r₁₅', 'highest mean of 15 min', $raw->shortTerm, $moving?->shortTerm, $raw->shortOver],
            ['peak', 'Peak, ', 'r_max', 'highest reading', $raw->extremes->highest, $moving?->extremes->highest, $raw->over],
        ] as [$key, $title, $symbol, $meaning, $value, $between, $over]) {
            if ($value !== null) {
                $result = $this->result(
                    $key.':'.$code,
                    $title.$name,
                    self::scaled($this->zeroed($read($symbol, $meaning, $value, $over), $between, $line), $factor),
                    [],
                )->notPlain();
                $results[] = $key === 'peak' ? $result->ofMoments($moment) : $result;
            }
        }

        return [$results, $factor];
    }

    private static function scaled(FourAnswers $answers, Figure $factor): FourAnswers
    {
        return $answers->each(
            static fn (Figure $one): Figure => Figure::derived(
                'c',
                $one->meaning.', by the factor',
                Real::times($one->value, $factor->value),
                Unit::MilligramPerCubicMetre,
                ParticleEquation::Photometer,
                [$one, $factor],
                Digits::significant($one->value, 3),
            ),
        );
    }

    /**
     * P-5: by the filter of the same period, else a factor of another day; null where there is neither.
     */
    private function factor(FourAnswers $mean): ?Figure
    {
        $weighed = $this->record->written->decimal('weighed');
        $best = $mean->best();
        if ($weighed !== null && $best !== null && !Real::isZero($best->value)) {
            $filter = Figure::read(
                'c_grav',
                'filter of the same period',
                $weighed->value,
                Unit::MilligramPerCubicMetre,
                new Origin('run', $this->run->id, $this->record->written->text('weighedFrom') ?? 'as written'),
                $weighed->decimals(),
            );

            return Figure::derived(
                'k',
                'factor of the photometer',
                Real::by($weighed->value, $best->value),
                Unit::None,
                ParticleEquation::Photometer,
                [$filter, $best],
                2,
            );
        }
        $typed = $this->record->written->decimal('photometerFactor');

        return $typed === null
            ? null
            : Figure::read(
                'k',
                'factor of the photometer, from another day',
                $typed->value,
                Unit::None,
                new Origin('run', $this->run->id, 'as written'),
                $typed->decimals(),
            );
    }

    private function zeroed(Figure $raw, Exact|float|null $between, ?LinearLine $line): FourAnswers
    {
        $by = static fn (LinearKnot $knot): Figure => Figure::derived(
            'c',
            \sprintf('%s, zero %s at %s', $raw->meaning, $knot->asLeft ? 'as left' : 'as found', $knot->check),
            Real::minus($raw->value, $knot->zero->value),
            $raw->unit,
            ParticleEquation::Concentration,
            [$raw, $knot->zero],
            $raw->decimals,
        );

        $knots = $line->knots ?? [];

        return FourAnswers::along($raw, $knots, $this->bracket, $by, static fn (Figure $pre, ?Figure $post): ?Figure => match (true) {
            $line === null || $post === null => null,
            $between === null => $pre,
            default => Figure::derived(
                'c',
                $raw->meaning.', zero along the bracket',
                $between,
                $raw->unit,
                ParticleEquation::Concentration,
                [$raw, ...array_map(static fn (LinearKnot $knot): Figure => $knot->zero, $line->knots)],
                $raw->decimals,
            ),
        });
    }

    /** @param \Closure(Exact|float, Exact|float): (Exact|float) $how */
    private static function combined(FourAnswers $one, FourAnswers $other, string $symbol, string $meaning, \Closure $how): FourAnswers
    {
        return $one->with($other, static function (Figure $a, Figure $b) use ($symbol, $meaning, $how): Figure {
            $value = $how($a->value, $b->value);

            return Figure::derived(
                $symbol,
                $meaning,
                $value,
                Unit::PerCubicCentimetre,
                ParticleEquation::Concentration,
                [$a, $b],
                Digits::significant($value, 3),
            );
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
     * A concentration of counts falls as the flow grows; a photometer's does not depend on it, and turns by its zero.
     *
     * @return array{?Figure, string}
     */
    private function tipping(ExposureLimit $limit, Result $result, ?Figure $factor): array
    {
        $figure = $result->reportedFigure();
        if ($limit->threshold->value->value->isZero() || Real::compare($figure->value, Exact::zero()) <= 0) {
            return [null, 'There is nothing to set against the limit.'];
        }
        if ($this->record->dust() !== null) {
            $error = Real::by(Real::minus($figure->value, $limit->threshold->value->value), $factor->value ?? Exact::of(1));
            $tipping = Figure::derived(
                'z*',
                'error of zero at which it sits on the limit',
                $error,
                Unit::MilligramPerCubicMetre,
                ParticleEquation::Concentration,
                [$figure],
                Digits::significant($error, 2),
            );

            return [
                $tipping,
                \sprintf(
                    'It turns if the zero stood %s mg/m³ %s than worked out with, or the factor were %s times as large.',
                    ltrim($tipping->shown(), '-'),
                    Real::compare($error, Exact::zero()) >= 0 ? 'higher' : 'lower',
                    number_format(Real::toFloat(Real::by($limit->threshold->value->value, $figure->value)), 2, '.', ''),
                ),
            ];
        }
        $drifts = array_map(static fn (Figure $drift): string => $drift->signed().' %', (new ParticleResponse())->drifts($this->line));

        return Tipping::byShare(
            $figure,
            $limit,
            ParticleEquation::Concentration,
            'flow',
            'the true flow was',
            $drifts === [] ? 'no change of flow is known' : 'its checks showed a change of '.implode(' and ', $drifts),
        );
    }
}
