<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** Which intervals of a log count: one range less others. */
final readonly class LogRanges
{
    /**
     * The intervals that lie in all of several sets of ranges.
     *
     * @param non-empty-list<list<array{int, int}>> $sets each in order
     *
     * @return list<array{int, int}> in order
     */
    public static function common(array $sets): array
    {
        $common = array_shift($sets);
        foreach ($sets as $set) {
            $both = [];
            foreach ($common as [$from, $to]) {
                foreach ($set as [$a, $b]) {
                    if (max($from, $a) < min($to, $b)) {
                        $both[] = [max($from, $a), min($to, $b)];
                    }
                }
            }
            $common = $both;
        }

        return $common;
    }

    /**
     * Whether any interval of some ranges lies in another.
     *
     * @param list<array{int, int}> $ranges
     * @param array{int, int}       $other
     */
    public static function meet(array $ranges, array $other): bool
    {
        foreach ($ranges as [$from, $to]) {
            if ($from < $other[1] && $other[0] < $to) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array{int, int}       $whole first and the one after the last
     * @param list<array{int, int}> $out   ranges left out, in any order
     *
     * @return list<array{int, int}> what is left, in order
     */
    public static function less(array $whole, array $out): array
    {
        usort($out, static fn (array $a, array $b): int => $a <=> $b);
        $left = [];
        [$from, $end] = $whole;
        foreach ($out as [$a, $b]) {
            if ($a > $from) {
                $left[] = [$from, min($a, $end)];
            }
            $from = max($from, $b);
            if ($from >= $end) {
                return array_values(array_filter($left, static fn (array $range): bool => $range[0] < $range[1]));
            }
        }
        $left[] = [$from, $end];

        return array_values(array_filter($left, static fn (array $range): bool => $range[0] < $range[1]));
    }
}
