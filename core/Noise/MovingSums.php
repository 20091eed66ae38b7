<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Response\OffsetLine;

/** Sums over a log with an offset that moves along the bracket: each sample is set right by the offset of its own moment. */
final readonly class MovingSums
{
    private const LN10_10 = 0.23025850929940456840;

    /** @param array<string, float> $doses in % by criterion */
    private function __construct(public float $equivalentLevel, public array $doses)
    {
    }

    /**
     * @param list<array{int, int}> $ranges   the intervals that count, in order
     * @param list<DoseCriterion>   $criteria
     */
    public static function of(LevelLog $log, int $column, array $ranges, LogClock $clock, OffsetLine $line, array $criteria): self
    {
        $energies = [];
        $shares = array_fill(0, \count($criteria), []);
        $energy = 0.0;
        $sums = array_fill(0, \count($criteria), 0.0);
        $samples = 0;
        $begin = 0;
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            foreach ($ranges as [$first, $after]) {
                for ($at = max($first, $begin), $to = min($after, $end); $at < $to; $at = $stop) {
                    // Short pieces on one line: within a piece the factor of each sample is the last one times a constant.
                    $stop = min($to, $at + 256);
                    $o = $line->at($clock->at($at));
                    $slope = $stop - $at > 1 ? ($line->at($clock->at($stop - 1)) - $o) / ($stop - 1 - $at) : 0.0;
                    $factor = exp(-self::LN10_10 * $o);
                    $ratio = exp(-self::LN10_10 * $slope);
                    for ($i = $at - $begin; $i < $stop - $begin; ++$i) {
                        $value = $chunk[$i];
                        if ($value !== LevelLog::GAP) {
                            $energy += $factor * ($energies[$value] ??= 10 ** ($value / 10000));
                            ++$samples;
                        }
                        $factor *= $ratio;
                    }
                    foreach ($criteria as $c => $criterion) {
                        [$q, $l] = [$criterion->q(), $criterion->l()];
                        $factor = $criterion->factor($o);
                        $ratio = $criterion->factor($slope);
                        $threshold = LevelHistogram::shifted($criterion, $o);
                        $rise = 1000 * $slope;
                        $sum = 0.0;
                        for ($i = $at - $begin; $i < $stop - $begin; ++$i) {
                            $value = $chunk[$i];
                            if ($value >= $threshold && $value !== LevelLog::GAP) {
                                $sum += $factor * ($shares[$c][$value] ??= 2 ** (($value / 1000 - $l) / $q));
                            }
                            $factor *= $ratio;
                            $threshold += $rise;
                        }
                        $sums[$c] += $sum;
                    }
                }
            }
            $begin = $end;
        }
        $doses = [];
        foreach ($criteria as $c => $criterion) {
            $doses[$criterion->id] = 100 * $sums[$c] * $log->step() / 3600 / DoseCriterion::HOURS;
        }

        return new self($samples === 0 ? -\INF : 10 * log10($energy / $samples), $doses);
    }

    /**
     * The highest level once the offset of its own moment is taken out, dB.
     *
     * @param list<array{int, int}> $ranges
     */
    public static function highest(LevelLog $log, int $column, array $ranges, LogClock $clock, OffsetLine $line): float
    {
        $highest = -\INF;
        $begin = 0;
        // A lower level can only win by as much as the offset moves along the whole line.
        $offsets = array_map(static fn ($knot): float => $knot->offset->toFloat(), $line->knots);
        $play = 1000 * (max($offsets) - min($offsets));
        $top = LevelHistogram::of($log, $column, $ranges)->highest() ?? LevelLog::GAP;
        foreach ($log->chunks($column) as $chunk) {
            if (max($chunk) >= $top - $play) {
                foreach ($ranges as [$first, $after]) {
                    for ($i = max($first - $begin, 0), $to = min($after - $begin, \count($chunk)); $i < $to; ++$i) {
                        if ($chunk[$i] >= $top - $play && $chunk[$i] !== LevelLog::GAP) {
                            $highest = max($highest, $chunk[$i] / 1000 - $line->at($clock->at($begin + $i)));
                        }
                    }
                }
            }
            $begin += \count($chunk);
        }

        return $highest;
    }
}
