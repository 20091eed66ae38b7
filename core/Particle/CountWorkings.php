<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Bracket;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\FourAnswers;
use Footnote\Core\Judgement\Result;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\ValueCounts;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Digits;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Response\CountingKnot;
use Footnote\Core\Response\CountingLine;

/** Works out what a counter counted (P-1), by size: from each size up and between sizes. */
final readonly class CountWorkings
{
    /**
     * @param Bracket           $bracket that stands
     * @param CountingLine|null $line    of its checks
     */
    public function __construct(
        private Run $run,
        private ParticleRecord $record,
        private Bracket $bracket,
        private ?CountingLine $line,
        private Instrument $unit,
        private Answer $reported,
    ) {
    }

    /**
     * Concentrations by size, from each size up and between sizes.
     *
     * @param list<array{int, int}> $ranges
     *
     * @return array{results: list<Result>, loss: Figure|null, beyond: bool, limits: array<string, CountingLimits|null>}
     */
    public function results(SeriesLog $log, array $ranges, LogClock $clock): array
    {
        $sizes = array_map(strval(...), array_keys($this->record->sizes()));
        $columns = array_values($this->record->sizes());
        $counts = array_map(static fn (int $column): ValueCounts => ValueCounts::of($log, $column, $ranges), $columns);
        $own = [];
        foreach ($sizes as $place => $size) {
            $own[$place] = $this->column($log, $columns[$place], $counts[$place], $size, $ranges, $clock);
        }
        $cumulative = $this->unit->traits->flag('cumulative');
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
        $number = Figure::read('N', 'counts from '.$size.' µm', $sum, CommonUnit::None, $origin, 0);
        $time = Figure::read('t', 'time sampled', $minutes, CommonUnit::Minute, $origin, 2);
        if ($minutes->isZero()) {
            return FourAnswers::none();
        }
        $made = static fn (string $how, Exact|float $value, array $inputs): Figure => Figure::derived(
            'c_≥'.$size.' µm',
            \sprintf('particles from %s µm, %s', $size, $how),
            $value,
            CountUnit::PerCubicCentimetre,
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
        $nominal = $this->unit->traits->measured('nominalFlow');
        $flow = $nominal === null
            ? null
            : Figure::read(
                'Q',
                'nominal flow',
                $nominal->in(CommonUnit::LitrePerMinute),
                CommonUnit::LitrePerMinute,
                new Origin('instrument', $this->unit->id, 'as registered'),
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
        $dead = $this->unit->traits->decimal('deadTime');
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
            CommonUnit::Percent,
            ParticleEquation::Coincidence,
            [
                $observed,
                $flow,
                Figure::read(
                    'τ',
                    'dead time, µs',
                    $dead->value,
                    CommonUnit::None,
                    new Origin('instrument', $this->unit->id, 'as registered'),
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

    /** @param \Closure(Exact|float, Exact|float): (Exact|float) $how */
    private static function combined(FourAnswers $one, FourAnswers $other, string $symbol, string $meaning, \Closure $how): FourAnswers
    {
        return $one->with($other, static function (Figure $a, Figure $b) use ($symbol, $meaning, $how): Figure {
            $value = $how($a->value, $b->value);

            return Figure::derived(
                $symbol,
                $meaning,
                $value,
                CountUnit::PerCubicCentimetre,
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
}
