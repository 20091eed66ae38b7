<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Quantity\Exact;
use Footnote\Core\Response\LinearLine;

/**
 * G-7 over one column of a log: the mean, the highest mean of fifteen minutes, the extremes and the time above thresholds,
 * each reading set right by the response of its own moment where a line is given. Gaps and stretches left out are not zeros;
 * a window with under 75 % of its data counts for no limit. Memory does not grow with the log.
 */
final readonly class MovingReadings
{
    public const MINUTES = 15;
    public const LEAST_SHARE = 0.75;

    /**
     * @param Exact|float|null $shortTerm highest 15 min mean of windows with enough data; null where the run has none
     * @param int              $hollow    windows with too little data
     * @param list<int>        $above     intervals above each threshold
     * @param bool             $over      whether any interval that counts was beyond the range: means are then at least what they say
     * @param bool             $shortOver the same of the window that the short-term mean is of
     */
    private function __construct(
        public Exact|float|null $mean,
        public Exact|float|null $shortTerm,
        public Extremes $extremes,
        public int $hollow,
        public array $above,
        public bool $over = false,
        public bool $shortOver = false,
    ) {
    }

    /**
     * @param array{int, int}       $whole      the run: first interval and the one after the last
     * @param list<array{int, int}> $ranges     the intervals of it that count, in order
     * @param LinearLine|null       $line       null: readings as they are, whose sums are then exact
     * @param float                 $undone     what readings are divided by before a response is taken out
     * @param list<float>           $thresholds in the unit of the channel
     * @param int|null              $range      what was beyond the range was at least that, thousandths; null: not known
     */
    public static function of(
        SeriesLog $log,
        int $column,
        array $whole,
        array $ranges,
        ?LinearLine $line,
        ?LogClock $clock,
        float $undone = 1.0,
        array $thresholds = [],
        ?int $range = null,
    ): self {
        $n = max(1, (int) round(60 * self::MINUTES / $log->step()));
        $need = $n * self::LEAST_SHARE;
        $ring = [];
        $sum = 0;
        $filled = 0;
        $held = 0;
        $total = 0;
        $count = 0;
        $hollow = 0;
        $beyond = 0;
        $lastOver = null;
        $bestOver = false;
        $bestSum = 0;
        $bestFilled = 0;
        $high = null;
        $low = null;
        $above = array_map(static fn (): int => 0, $thresholds);
        $bends = $line === null || $clock === null
            ? []
            : array_map(static fn ($knot): int => $clock->beginningFrom($knot->at), $line->knots);
        $begin = 0;
        $place = 0;
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            for ($at = max($begin, $whole[0]), $last = min($end, $whole[1]); $at < $last; $at = $stop) {
                while ($place < \count($ranges) && $ranges[$place][1] <= $at) {
                    ++$place;
                }
                $counts = $place < \count($ranges) && $ranges[$place][0] <= $at;
                $stop = min(
                    $last,
                    $counts ? $ranges[$place][1] : ($ranges[$place][0] ?? $last),
                    ...array_filter($bends, static fn (int $bend): bool => $bend > $at),
                );
                $z = 0.0;
                $g = 1.0;
                $dz = 0.0;
                $dg = 0.0;
                if ($counts && $line !== null && $clock !== null) {
                    [$z, $g] = $line->at($clock->at($at));
                    if ($stop - $at > 1) {
                        [$z1, $g1] = $line->at($clock->at($stop - 1));
                        $dz = ($z1 - $z) / ($stop - 1 - $at);
                        $dg = ($g1 - $g) / ($stop - 1 - $at);
                    }
                }
                $scale = 1 / (1000 * $undone);
                for ($i = $at; $i < $stop; ++$i) {
                    $raw = $counts ? $chunk[$i - $begin] : SeriesLog::GAP;
                    if ($raw !== SeriesLog::GAP && ($raw === SeriesLog::OVER || ($range !== null && $raw >= $range))) {
                        $lastOver = $i;
                        ++$beyond;
                        $raw = $raw === SeriesLog::OVER ? ($range ?? SeriesLog::GAP) : $raw;
                    }
                    $slot = $i % $n;
                    if ($held >= $n) {
                        $old = $ring[$slot];
                        if ($old !== null) {
                            $sum -= $old;
                            --$filled;
                        }
                    } else {
                        ++$held;
                    }
                    if ($raw > SeriesLog::OVER) {
                        $value = $line === null ? $raw : ($raw * $scale - $z) / $g;
                        $ring[$slot] = $value;
                        $sum += $value;
                        ++$filled;
                        $total += $value;
                        ++$count;
                        if ($high === null || $value > $high) {
                            $high = $value;
                        }
                        if ($low === null || $value < $low) {
                            $low = $value;
                        }
                        foreach ($thresholds as $t => $threshold) {
                            if ($value > $threshold) {
                                ++$above[$t];
                            }
                        }
                    } else {
                        $ring[$slot] = null;
                    }
                    if ($held === $n) {
                        if ($filled < $need) {
                            ++$hollow;
                        } elseif ($bestFilled === 0 || $sum * $bestFilled > $bestSum * $filled) {
                            $bestSum = $sum;
                            $bestFilled = $filled;
                            $bestOver = $lastOver !== null && $lastOver > $i - $n;
                        }
                    }
                    $z += $dz;
                    $g += $dg;
                }
            }
            $begin = $end;
        }

        return new self(
            self::share($total, $count),
            self::share($bestSum, $bestFilled),
            new Extremes($high === null ? null : self::share($high, 1), $low === null ? null : self::share($low, 1)),
            $hollow,
            array_values($above),
            $beyond > 0,
            $bestOver,
        );
    }

    /** Whole thousandths give exact fractions. */
    private static function share(int|float $sum, int $count): Exact|float|null
    {
        return match (true) {
            $count === 0 => null,
            \is_int($sum) => Exact::of($sum)->dividedBy(1000)->dividedBy($count),
            default => $sum / $count,
        };
    }
}
