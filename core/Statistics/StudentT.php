<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/** Student's distribution: by how many standard errors a mean of few values may be off. */
final class StudentT
{
    private const TRIES = 200;

    /**
     * The value that is not exceeded with a probability above one half.
     *
     * @param float $probability from 0.5 to below 1
     * @param int   $freedom     degrees of freedom, from 1
     */
    public static function quantile(float $probability, int $freedom): float
    {
        $low = 0.0;
        $high = 1.0;
        while (self::below($high, $freedom) < $probability && $high < 1e12) {
            $high *= 2;
        }
        for ($i = 0; $i < self::TRIES && $high - $low > 1e-14 * $high; ++$i) {
            $middle = ($low + $high) / 2;
            if (self::below($middle, $freedom) < $probability) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }

    /** The probability of at most a value from nought on: 1 − ½·I_x(ν/2, ½) with x = ν/(ν + t²) (published: NIST DLMF 8.17). */
    public static function below(float $t, int $freedom): float
    {
        return 1 - self::beta($freedom / ($freedom + $t * $t), $freedom / 2, 0.5) / 2;
    }

    /** The regularised incomplete beta function by its continued fraction, by Lentz (published: NIST DLMF 8.17.22). */
    private static function beta(float $x, float $a, float $b): float
    {
        if ($x <= 0.0 || $x >= 1.0) {
            return $x <= 0.0 ? 0.0 : 1.0;
        }
        // Beyond the mean the fraction of the other tail is the one that ends soon.
        if ($x > ($a + 1) / ($a + $b + 2)) {
            return 1 - self::beta(1 - $x, $b, $a);
        }
        $front = exp(Gamma::log($a + $b) - Gamma::log($a) - Gamma::log($b) + $a * log($x) + $b * log(1 - $x)) / $a;
        $c = 1.0;
        $d = 1 / (1 - ($a + $b) * $x / ($a + 1));
        $h = $d;
        for ($m = 1; $m < 10000; ++$m) {
            foreach ([
                $m * ($b - $m) * $x / (($a + 2 * $m - 1) * ($a + 2 * $m)),
                -($a + $m) * ($a + $b + $m) * $x / (($a + 2 * $m) * ($a + 2 * $m + 1)),
            ] as $step) {
                $d = 1 / (1 + $step * $d);
                $c = 1 + $step / $c;
                $h *= $d * $c;
            }
            if (abs($d * $c - 1) < 1e-15) {
                break;
            }
        }

        return $front * $h;
    }
}
