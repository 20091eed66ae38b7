<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;

/** L-7: what several figures of one unit come to together. */
final class Total
{
    /** @param list<Figure> $parts one alone is its own total; none come to nothing */
    public static function of(string $symbol, string $meaning, Unit $unit, array $parts): Figure
    {
        return \count($parts) === 1 ? $parts[0] : Figure::derived(
            $symbol,
            $meaning,
            array_reduce($parts, static fn (Exact|float $sum, Figure $one): Exact|float => Real::plus($sum, $one->value), Exact::zero()),
            $unit,
            LogEquation::Sum,
            Row::of('N_i', $parts),
            0,
        );
    }
}
