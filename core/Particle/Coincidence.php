<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

/** P-4: particles that pass together are counted as one. N in 1/cm³, Q in L/min, τ in µs. */
final class Coincidence
{
    /** What is observed of a true concentration. */
    public static function observed(float $true, float $flow, float $microseconds): float
    {
        return $true * exp(-$true * self::sensing($flow, $microseconds));
    }

    /**
     * What must have been there on the low branch; null where more was observed than any concentration can show.
     */
    public static function true(float $observed, float $flow, float $microseconds): ?float
    {
        $volume = self::sensing($flow, $microseconds);
        if ($volume <= 0.0 || $observed <= 0.0) {
            return $observed;
        }

        // The highest that can be observed, where N·Q·τ = 1.
        return $observed * $volume > exp(-1) ? null : self::between($observed, 1 / $volume, $observed, $flow, $microseconds, true);
    }

    /** What may have been there as well: so many that most hide each other. Null where no dead time tells, or nothing was observed. */
    public static function high(float $observed, float $flow, float $microseconds): ?float
    {
        $volume = self::sensing($flow, $microseconds);
        if ($volume <= 0.0 || $observed <= 0.0 || $observed * $volume > exp(-1)) {
            return null;
        }
        $most = 2 / $volume;
        while (self::observed($most, $flow, $microseconds) > $observed) {
            $most *= 2;
        }

        return self::between(1 / $volume, $most, $observed, $flow, $microseconds, false);
    }

    /** Where in an interval over which it rises, or falls, so many are observed. */
    private static function between(float $low, float $high, float $observed, float $flow, float $microseconds, bool $rises): float
    {
        for ($i = 0; $i < 200 && $high - $low > 1e-15 * $high; ++$i) {
            $middle = ($low + $high) / 2;
            if ((self::observed($middle, $flow, $microseconds) < $observed) === $rises) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return ($low + $high) / 2;
    }

    /** Q·τ as a volume, cm³. */
    private static function sensing(float $flow, float $microseconds): float
    {
        return $flow * 1000 / 60 * $microseconds / 1e6;
    }
}
