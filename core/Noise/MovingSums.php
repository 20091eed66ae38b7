<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Log\LogClock;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Response\OffsetKnot;
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
    public static function of(SeriesLog $log, int $column, array $ranges, LogClock $clock, OffsetLine $line, array $criteria): self
    {
        $energies = [];
        $shares = [];
        $energy = 0.0;
        $sums = array_fill_keys(array_map(static fn (DoseCriterion $criterion): string => $criterion->id, $criteria), 0.0);
        $samples = 0;
        // Pieces end where the line bends or steps.
        $bends = array_map(static fn (OffsetKnot $knot): int => $clock->beginningFrom($knot->at), $line->knots);
        $begin = 0;
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            foreach ($ranges as [$first, $after]) {
                for ($at = max($first, $begin), $to = min($after, $end); $at < $to; $at = $stop) {
                    // Short pieces on one line: within a piece the factor of each sample is the last one times a constant.
                    $stop = min($to, $at + 256, ...array_filter($bends, static fn (int $bend): bool => $bend > $at));
                    $o = $line->at($clock->at($at));
                    $slope = $stop - $at > 1 ? ($line->at($clock->at($stop - 1)) - $o) / ($stop - 1 - $at) : 0.0;
                    $factor = exp(-self::LN10_10 * $o);
                    $ratio = exp(-self::LN10_10 * $slope);
                    for ($i = $at - $begin; $i < $stop - $begin; ++$i) {
                        $value = $chunk[$i];
                        if ($value !== SeriesLog::GAP) {
                            $energy += $factor * ($energies[$value] ??= 10 ** ($value / 10000));
                            ++$samples;
                        }
                        $factor *= $ratio;
                    }
                    foreach ($criteria as $criterion) {
                        $q = $criterion->q();
                        $l = $criterion->l();
                        // Criteria of one level and exchange rate differ in their thresholds only and share their terms.
                        /** @var array<int, float> $share */
                        $share = &$shares[$q.'/'.$l];
                        $factor = $criterion->factor($o);
                        $ratio = $criterion->factor($slope);
                        $first = max(SeriesLog::GAP + 1, LevelHistogram::shifted($criterion, $o));
                        $play = 1000 * $slope * ($stop - $at);
                        $below = $first + min(0.0, $play);
                        $above = $first + max(0.0, $play);
                        $sum = 0.0;
                        for ($i = $at - $begin, $pieceEnd = $stop - $begin; $i < $pieceEnd; ++$i) {
                            $value = $chunk[$i];
                            // Only a level within the threshold's own movement needs the threshold of its moment.
                            if ($value >= $above || ($value >= $below && $value >= $first + 1000 * $slope * ($i - $at + $begin))) {
                                $sum += $factor * ($share[$value] ??= 2 ** (($value / 1000 - $l) / $q));
                            }
                            $factor *= $ratio;
                        }
                        $sums[$criterion->id] += $sum;
                        unset($share);
                    }
                }
            }
            $begin = $end;
        }
        $doses = [];
        foreach ($sums as $id => $sum) {
            $doses[$id] = 100 * $sum * $log->step() / 3600 / DoseCriterion::HOURS;
        }

        return new self($samples === 0 ? -\INF : 10 * log10($energy / $samples), $doses);
    }

    /**
     * The highest level once the offset of its own moment is taken out, dB.
     *
     * @param int                   $top    the highest as logged, thousandths
     * @param list<array{int, int}> $ranges
     */
    public static function highest(SeriesLog $log, int $column, int $top, array $ranges, LogClock $clock, OffsetLine $line): float
    {
        $highest = -\INF;
        $begin = 0;
        // A lower level can only win by as much as the offset moves along the whole line.
        $offsets = array_map(static fn ($knot): float => $knot->offset->toFloat(), $line->knots);
        $play = 1000 * (max($offsets) - min($offsets));
        foreach ($log->chunks($column) as $chunk) {
            if (max($chunk) >= $top - $play) {
                foreach ($ranges as [$first, $after]) {
                    for ($i = max($first - $begin, 0), $to = min($after - $begin, \count($chunk)); $i < $to; ++$i) {
                        if ($chunk[$i] >= $top - $play && $chunk[$i] !== SeriesLog::GAP) {
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
