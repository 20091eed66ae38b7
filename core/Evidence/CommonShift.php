<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/**
 * Whose fault? When several units checked on one reference move together, the reference is the likelier cause.
 *
 * The shared part is the median of the drifts, each unit's own part what is left. It is said when at least three units
 * moved, two thirds of them near the median, and the median is large enough to be seen: Footnote's own choice. How near
 * and how large is the family's to say.
 */
final readonly class CommonShift
{
    public const LEAST_UNITS = 3;

    /**
     * @param float                $shared in the unit of the drifts
     * @param array<int|string, float> $own    what is left, by unit
     * @param list<string>         $moved  units that moved together
     */
    private function __construct(public float $shared, public array $own, public array $moved)
    {
    }

    /**
     * Null where nothing is shared.
     *
     * @param array<int|string, float> $drifts as found against the state last left, by unit
     * @param float                $near   how near the median a unit lies that moved with the others
     * @param float                $least  the smallest shift that means something
     */
    public static function of(array $drifts, float $near, float $least): ?self
    {
        $median = self::median($drifts);
        if ($median === null) {
            return null;
        }
        $count = \count($drifts);
        $own = array_map(static fn (float $drift): float => round($drift - $median, 9), $drifts);
        $moved = array_map(strval(...), array_keys(array_filter($own, static fn (float $rest): bool => abs($rest) <= $near + 1e-9)));
        if (abs($median) < $least - 1e-9 || 3 * \count($moved) < 2 * $count || \count($moved) < self::LEAST_UNITS) {
            return null;
        }

        return new self(round($median, 9), $own, $moved);
    }

    /**
     * The shared part of a row, whether it is large enough to mean something or not.
     *
     * @param array<int|string, float> $drifts by unit
     *
     * @return float|null null: of too few units
     */
    public static function median(array $drifts): ?float
    {
        $count = \count($drifts);
        if ($count < self::LEAST_UNITS) {
            return null;
        }
        $sorted = array_values($drifts);
        sort($sorted);

        return $count % 2 === 1 ? $sorted[intdiv($count, 2)] : ($sorted[$count / 2 - 1] + $sorted[$count / 2]) / 2;
    }
}
