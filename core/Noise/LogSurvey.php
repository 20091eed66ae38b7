<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\SteadyStretches;
use Footnote\Core\Quantity\Span;

/** What stands out in a log before anything is summed: tones, flat stretches, overloads, knocks, gaps. */
final readonly class LogSurvey
{
    /**
     * @param list<Tone>  $tones
     * @param list<Span>  $flats
     * @param list<Span>  $overloads
     * @param list<Knock> $knocks   the first twenty
     * @param int         $knockCount all of them
     */
    private function __construct(
        public array $tones,
        public array $flats,
        public array $overloads,
        public array $knocks,
        public int $knockCount,
    ) {
    }

    /** @param list<ToneLevel> $toneLevels levels at which tones of the calibrators that the unit has met would stand */
    public static function of(SeriesLog $log, Run $run, Timeline $timeline, array $toneLevels, Policy $policy): self
    {
        $clock = new LogClock($log, $run);
        $level = self::column($log, ...LevelColumn::LEVELS);
        $peak = self::column($log, LevelColumn::Peak);
        $overload = self::column($log, LevelColumn::Overload);

        $tones = new ToneSearch($log, $timeline, $toneLevels, $policy);
        $flats = self::flatFinder($log->step(), $policy);
        $knockLimit = self::thousandths($policy, 'noise.knock', 'peak');
        $knockExcess = self::thousandths($policy, 'noise.knock', 'excess');
        $range = $timeline->instrument->traits->decimal('rangeHigh');
        $high = $range === null ? null : (int) round(1000 * $range->value->toFloat());

        $knocks = [];
        $knockCount = 0;
        $over = [];
        $begin = 0;
        $peaks = self::pieces($log, $peak);
        $marks = self::pieces($log, $overload);
        foreach (self::pieces($log, $level) as $chunk) {
            $tones->feed($chunk);
            $flats?->feed($chunk);
            if ($high !== null && max($chunk) >= $high) {
                foreach ($chunk as $i => $value) {
                    if ($value >= $high) {
                        $over[] = $begin + $i;
                    }
                }
            }
            $peakChunk = $peaks->current();
            if ($peaks->valid() && $knockLimit !== null && $knockExcess !== null && max($peakChunk) >= $knockLimit) {
                foreach ($peakChunk as $i => $value) {
                    if ($value >= $knockLimit && $chunk[$i] !== SeriesLog::GAP && $value - $chunk[$i] >= $knockExcess) {
                        ++$knockCount;
                        if ($knockCount <= 20) {
                            $knocks[] = new Knock($clock->at($begin + $i), $value / 1000, $chunk[$i] / 1000);
                        }
                    }
                }
            }
            $peaks->next();
            $markChunk = $marks->current();
            if ($marks->valid() && max($markChunk) > 0) {
                foreach ($markChunk as $i => $value) {
                    if ($value > 0) {
                        $over[] = $begin + $i;
                    }
                }
            }
            $marks->next();
            $begin += \count($chunk);
        }
        $toneRanges = $tones->stretches();

        return new self(
            $level === null ? [] : $tones->tones($level, $clock),
            array_values(array_map(
                static fn (array $range): Span => $clock->span(...$range),
                array_filter($flats?->stretches() ?? [], static fn (array $flat): bool => !self::isTone($flat, $toneRanges)),
            )),
            array_map(static fn (array $range): Span => $clock->span(...$range), self::joined($over, (int) ceil(60 / $log->step()))),
            $knocks,
            $knockCount,
        );
    }

    public static function none(): self
    {
        return new self([], [], [], [], 0);
    }

    public static function column(SeriesLog $log, ColumnKind ...$kinds): ?int
    {
        foreach ($kinds as $kind) {
            foreach ($log->columns() as $place => $column) {
                if ($column->kind === $kind) {
                    return $place;
                }
            }
        }

        return null;
    }

    /** @return \Generator<int, non-empty-list<int>> */
    private static function pieces(SeriesLog $log, ?int $column): \Generator
    {
        if ($column !== null) {
            foreach ($log->chunks($column) as $chunk) {
                yield $chunk;
            }
        }
    }

    private static function flatFinder(float $step, Policy $policy): ?SteadyStretches
    {
        $spread = self::thousandths($policy, 'noise.flat-stretch', 'spread');
        $minutes = $policy->limit('noise.flat-stretch', 'minutes')?->toFloat();

        return $spread === null || $minutes === null ? null : new SteadyStretches(max(3, (int) ceil(60 * $minutes / $step)), $spread, true);
    }

    private static function thousandths(Policy $policy, string $rule, string $limit): ?int
    {
        $found = $policy->limit($rule, $limit);

        return $found === null ? null : (int) round(1000 * $found->toFloat());
    }

    /**
     * @param array{int, int}       $flat
     * @param list<array{int, int}> $tones
     */
    private static function isTone(array $flat, array $tones): bool
    {
        foreach ($tones as [$from, $to]) {
            if ($from <= $flat[0] + 3 && $flat[1] - 3 <= $to) {
                return true;
            }
        }

        return false;
    }

    /**
     * Single places joined into ranges where no more than $apart lie between.
     *
     * @param list<int> $places
     *
     * @return list<array{int, int}>
     */
    private static function joined(array $places, int $apart): array
    {
        sort($places);
        $ranges = [];
        foreach ($places as $place) {
            $last = \count($ranges) - 1;
            if ($last >= 0 && $place - $ranges[$last][1] <= $apart) {
                $ranges[$last] = [$ranges[$last][0], $place + 1];
            } else {
                $ranges[] = [$place, $place + 1];
            }
        }

        return $ranges;
    }
}
