<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/**
 * The limits of a count: between which means it may lie that gave so many, two-sided (Garwood 1936, published).
 *
 * From a hundred thousand counts on by the cube root of chi-square (Wilson and Hilferty 1931, published), where it is right to
 * nine digits and the sums are not: their terms grow as the root of the count, and their scale loses digits.
 */
final class Poisson
{
    private const TRIES = 200;

    private const MANY = 100_000;

    /** @return array{float, float} lower and upper limit of the mean at a confidence such as 0.95 */
    public static function limits(int $count, float $confidence = 0.95): array
    {
        $tail = (1 - $confidence) / 2;
        if ($count >= self::MANY) {
            return [self::cubed($count, -self::deviate(1 - $tail)), self::cubed($count + 1, self::deviate(1 - $tail))];
        }

        return [
            $count === 0 ? 0.0 : self::solve(static fn (float $mean): float => 1 - self::below($count - 1, $mean), $tail, $count),
            self::solve(static fn (float $mean): float => 1 - self::below($count, $mean), 1 - $tail, $count),
        ];
    }

    /**
     * Of the difference of two rates, each a count over its time: from the limits of both by their squares (MOVER, Zou and
     * Donner 2008, published), since two extremes at once are far less likely than either.
     *
     * @return array{float, float} per unit of time
     */
    public static function difference(int $count, float $time, int $other, float $otherTime, float $confidence = 0.95): array
    {
        [$low, $high] = self::limits($count, $confidence);
        if ($otherTime <= 0.0) {
            return [$low / $time, $high / $time];
        }
        [$otherLow, $otherHigh] = self::limits($other, $confidence);
        $one = $count / $time;
        $two = $other / $otherTime;

        return [
            $one - $two - sqrt(($one - $low / $time) ** 2 + ($otherHigh / $otherTime - $two) ** 2),
            $one - $two + sqrt(($high / $time - $one) ** 2 + ($two - $otherLow / $otherTime) ** 2),
        ];
    }

    /** The upper limit alone, one-sided: what a zero count may still hide. */
    public static function upper(int $count, float $confidence = 0.95): float
    {
        return $count >= self::MANY
            ? self::cubed($count + 1, self::deviate($confidence))
            : self::solve(static fn (float $mean): float => 1 - self::below($count, $mean), $confidence, $count);
    }

    /** The probability of at most so many counts at a mean: the regularised upper incomplete gamma function Q(n + 1, m). */
    public static function below(int $count, float $mean): float
    {
        if ($mean <= 0.0) {
            return 1.0;
        }
        $a = $count + 1.0;
        $scale = exp(-$mean + $a * log($mean) - Gamma::log($a));
        if ($mean < $a + 1) {
            // The series of P = 1 − Q.
            $term = 1 / $a;
            $sum = 1 / $a;
            for ($n = 1; $n < 10000 && abs($term) > abs($sum) * 1e-16; ++$n) {
                $term *= $mean / ($a + $n);
                $sum += $term;
            }

            return 1 - $sum * $scale;
        }
        // The continued fraction of Q, by Lentz.
        $b = $mean + 1 - $a;
        $c = 1e300;
        $d = 1 / ($mean + 1 - $a);
        $h = $d;
        for ($n = 1; $n < 10000; ++$n) {
            $an = -$n * ($n - $a);
            $b += 2;
            $d = 1 / ($an * $d + $b);
            $c = $b + $an / $c;
            $h *= $d * $c;
            if (abs($d * $c - 1) < 1e-16) {
                break;
            }
        }

        return $scale * $h;
    }

    /** @param \Closure(float): float $rising of the mean */
    private static function solve(\Closure $rising, float $wanted, int $count): float
    {
        $low = 0.0;
        $high = $count + 10 * sqrt($count + 1) + 20;
        for ($i = 0; $i < self::TRIES && $high - $low > 1e-13 * ($high + 1); ++$i) {
            $middle = ($low + $high) / 2;
            if ($rising($middle) < $wanted) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }

    /** Half of chi-square of twice so many degrees of freedom, at a normal deviate. */
    private static function cubed(int $count, float $z): float
    {
        return $count * (1 - 1 / (9 * $count) + $z / (3 * sqrt($count))) ** 3;
    }

    /** The normal deviate that a share of all lies below, by Newton's steps on the series of Marsaglia (2004, published). */
    private static function deviate(float $share): float
    {
        $z = 0.0;
        for ($i = 0; $i < 50; ++$i) {
            $density = exp(-$z * $z / 2) / sqrt(2 * \M_PI);
            $term = $z;
            $sum = $z;
            for ($n = 3; abs($term) > 1e-17; $n += 2) {
                $term *= $z * $z / $n;
                $sum += $term;
            }
            $step = (0.5 + $density * $sum - $share) / $density;
            $z -= $step;
            if (abs($step) < 1e-14) {
                break;
            }
        }

        return $z;
    }
}
