<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/**
 * Whose fault? When several units checked on one reference move together, the reference is the likelier cause.
 *
 * The shared part is the median of the drifts, each unit's own part what is left. It is said when at least three units
 * moved, two thirds of them within 0.15 dB of the median, and the median is at least 0.2 dB: Footnote's own choice,
 * since calibrators are read in tenths and one tenth is nothing.
 */
final readonly class CommonShift
{
    private const LEAST_UNITS = 3;
    private const NEAR = 0.15;
    private const LEAST_SHIFT = 0.2;

    /**
     * @param float                $shared dB
     * @param array<string, float> $own    dB by unit
     * @param list<string>         $moved  units that moved together
     */
    private function __construct(public float $shared, public array $own, public array $moved)
    {
    }

    /** @param array<string, float> $drifts as found less the state last left, dB, by unit; null where nothing is shared */
    public static function of(array $drifts): ?self
    {
        $count = \count($drifts);
        if ($count < self::LEAST_UNITS) {
            return null;
        }
        $sorted = array_values($drifts);
        sort($sorted);
        $median = $count % 2 === 1 ? $sorted[intdiv($count, 2)] : ($sorted[$count / 2 - 1] + $sorted[$count / 2]) / 2;
        $own = array_map(static fn (float $drift): float => round($drift - $median, 9), $drifts);
        $moved = array_map(strval(...), array_keys(array_filter($own, static fn (float $rest): bool => abs($rest) <= self::NEAR + 1e-9)));
        if (abs($median) < self::LEAST_SHIFT - 1e-9 || 3 * \count($moved) < 2 * $count || \count($moved) < self::LEAST_UNITS) {
            return null;
        }

        return new self(round($median, 9), $own, $moved);
    }
}
