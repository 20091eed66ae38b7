<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

use Footnote\Core\Quantity\Exact;

/** Whether timed values stand still (G-9): their range and what a straight line through them moves by lie within what is allowed. */
final readonly class AtRest
{
    private function __construct(public bool $steady, public float $drift, public Exact $range)
    {
    }

    /**
     * @param non-empty-list<array{Exact, Exact}> $points  s and value; not all at one moment
     * @param float                               $seconds over which the drift is told
     * @param Exact                               $range   that is allowed
     * @param Exact                               $drift   that is allowed
     */
    public static function of(array $points, float $seconds, Exact $range, Exact $drift): self
    {
        $values = array_column($points, 1);
        $line = LeastSquares::through(
            array_map(static fn (array $point): float => $point[0]->toFloat(), $points),
            array_map(static fn (Exact $value): float => $value->toFloat(), $values),
        );
        usort($values, static fn (Exact $a, Exact $b): int => $a->compareTo($b));
        $moved = $values[\count($values) - 1]->minus($values[0]);
        $crept = abs($line->slope) * $seconds;

        return new self($moved->compareTo($range) <= 0 && $crept <= $drift->toFloat() + 1e-9, $crept, $moved);
    }
}
