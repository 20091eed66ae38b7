<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/**
 * S-3: when the straight line through values in time reaches a value, with its interval: where the confidence band of the line does
 * (Fieller 1954, published).
 */
final readonly class Crossing
{
    /** Fewer points tell no direction (own). */
    public const LEAST = 5;
    private const CONFIDENCE = 0.95;

    /**
     * @param float $slope a unit of time
     * @param float $at    where the line reaches it
     * @param float $from  where the band does first
     * @param float $to    where it does last
     */
    private function __construct(public float $slope, public float $at, public float $from, public float $to)
    {
    }

    /**
     * @param list<float> $times
     * @param list<float> $values as many
     * @param float       $limit  a size: it is reached on the side to which the line goes
     *
     * @return self|null null: too few, all at one time, or no direction that could not be chance
     */
    public static function of(array $times, array $values, float $limit): ?self
    {
        $n = \count($times);
        if ($n < self::LEAST) {
            return null;
        }
        try {
            $line = LeastSquares::through($times, $values);
        } catch (TooFewPoints) {
            return null;
        }
        $mean = array_sum($times) / $n;
        $spread = array_sum(array_map(static fn (float $time): float => ($time - $mean) ** 2, $times));
        $variance = array_sum(array_map(static fn (float $one): float => $one ** 2, $line->residuals)) / ($n - 2);
        $t = StudentT::quantile((1 + self::CONFIDENCE) / 2, $n - 2);
        $steep = $line->slope ** 2 - $t ** 2 * $variance / $spread;
        if ($steep <= 0.0) {
            return null;
        }
        $high = ($line->slope > 0 ? $limit : -$limit) - $line->at($mean);
        $root = $t * sqrt($variance * ($high ** 2 / $spread + $steep / $n));
        $ends = [$mean + ($line->slope * $high - $root) / $steep, $mean + ($line->slope * $high + $root) / $steep];

        return new self($line->slope, $mean + $high / $line->slope, min($ends), max($ends));
    }
}
