<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** How often each value stands in the counting part of a column. Whatever shifts or scales all values alike is exact over these counts. */
final readonly class ValueCounts
{
    /** @param array<int, int> $counts by value in thousandths */
    private function __construct(public array $counts, public int $samples, public int $gaps, public int $overs)
    {
    }

    /** @param list<array{int, int}> $ranges the intervals that count, in order */
    public static function of(SeriesLog $log, int $column, array $ranges): self
    {
        $counts = [];
        $begin = 0;
        $next = 0;
        foreach ($log->chunks($column) as $chunk) {
            $end = $begin + \count($chunk);
            for ($r = $next; $r < \count($ranges) && $ranges[$r][0] < $end; ++$r) {
                $from = max($ranges[$r][0], $begin) - $begin;
                $to = min($ranges[$r][1], $end) - $begin;
                foreach (array_count_values(
                    $to - $from === \count($chunk) ? $chunk : \array_slice($chunk, $from, $to - $from),
                ) as $value => $count) {
                    $counts[$value] = ($counts[$value] ?? 0) + $count;
                }
                if ($ranges[$r][1] <= $end) {
                    $next = $r + 1;
                }
            }
            $begin = $end;
        }
        $gaps = $counts[SeriesLog::GAP] ?? 0;
        $overs = $counts[SeriesLog::OVER] ?? 0;
        unset($counts[SeriesLog::GAP], $counts[SeriesLog::OVER]);

        return new self($counts, array_sum($counts), $gaps, $overs);
    }

    public function highest(): ?int
    {
        return $this->counts === [] ? null : max(array_keys($this->counts));
    }

    public function lowest(): ?int
    {
        return $this->counts === [] ? null : min(array_keys($this->counts));
    }

    /** The sum of all values, thousandths. */
    public function sum(): int
    {
        $sum = 0;
        foreach ($this->counts as $value => $count) {
            $sum += $value * $count;
        }

        return $sum;
    }

    /** How many values lie above a threshold in thousandths. */
    public function above(float $threshold): int
    {
        return array_sum(array_filter($this->counts, static fn (int $value): bool => $value > $threshold, \ARRAY_FILTER_USE_KEY));
    }
}
