<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/**
 * Arithmetic that stays exact as long as all that goes in is exact, and turns to floats only where a root, a logarithm
 * or a float came in. Limits are then compared exactly wherever that is possible.
 */
final class Real
{
    public static function plus(Exact|float $a, Exact|float $b): Exact|float
    {
        return $a instanceof Exact && $b instanceof Exact ? $a->plus($b) : self::toFloat($a) + self::toFloat($b);
    }

    public static function minus(Exact|float $a, Exact|float $b): Exact|float
    {
        return $a instanceof Exact && $b instanceof Exact ? $a->minus($b) : self::toFloat($a) - self::toFloat($b);
    }

    public static function times(Exact|float $a, Exact|float $b): Exact|float
    {
        return $a instanceof Exact && $b instanceof Exact ? $a->times($b) : self::toFloat($a) * self::toFloat($b);
    }

    public static function by(Exact|float $a, Exact|float $b): Exact|float
    {
        return $a instanceof Exact && $b instanceof Exact ? $a->dividedBy($b) : self::toFloat($a) / self::toFloat($b);
    }

    public static function compare(Exact|float $a, Exact|float $b): int
    {
        return $a instanceof Exact && $b instanceof Exact ? $a->compareTo($b) : self::toFloat($a) <=> self::toFloat($b);
    }

    public static function isZero(Exact|float $a): bool
    {
        return $a instanceof Exact ? $a->isZero() : $a === 0.0;
    }

    public static function least(Exact|float $a, Exact|float $b): Exact|float
    {
        return self::compare($a, $b) <= 0 ? $a : $b;
    }

    public static function most(Exact|float $a, Exact|float $b): Exact|float
    {
        return self::compare($a, $b) >= 0 ? $a : $b;
    }

    public static function toFloat(Exact|float $a): float
    {
        return $a instanceof Exact ? $a->toFloat() : $a;
    }

    /** @param non-empty-list<Exact|float> $values */
    public static function mean(array $values): Exact|float
    {
        $sum = array_shift($values);
        $count = 1 + \count($values);
        foreach ($values as $value) {
            $sum = self::plus($sum, $value);
        }

        return self::by($sum, Exact::of($count));
    }
}
