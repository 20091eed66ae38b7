<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/** The gamma function, which distributions are told by. */
final class Gamma
{
    /** Stirling's series, with the recurrence below ten. */
    public static function log(float $x): float
    {
        $shift = 0.0;
        while ($x < 10) {
            $shift -= log($x);
            ++$x;
        }
        $y = 1 / ($x * $x);

        return $shift + ($x - 0.5) * log($x) - $x + 0.5 * log(2 * \M_PI)
            + (1 / 12 - $y * (1 / 360 - $y * (1 / 1260 - $y * (1 / 1680 - $y / 1188)))) / $x;
    }
}
