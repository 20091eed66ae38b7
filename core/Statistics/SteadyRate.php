<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/**
 * How often something happens that comes as likely at one time as at another: so many times in so long, with the exact limits of the
 * count (Garwood 1936, published); and by that, how likely it is to have come within some time (one less the exponential of the rate
 * times it, published).
 */
final readonly class SteadyRate
{
    /** @param float $rate a unit of time; its limits likewise */
    private function __construct(public float $rate, public float $low, public float $high)
    {
    }

    /**
     * @param int   $count that it came
     * @param float $time  in which it could have, above nought
     */
    public static function of(int $count, float $time): self
    {
        [$low, $high] = Poisson::limits($count);

        return new self($count / $time, $low / $time, $high / $time);
    }

    /** @return array{float, float, float} how likely it comes within some time: by the rate, and by its lower and its upper limit */
    public function chanceWithin(float $time): array
    {
        return [self::chance($this->rate, $time), self::chance($this->low, $time), self::chance($this->high, $time)];
    }

    /** The time within which it comes with a chance, at a rate; infinite where it never came. */
    public static function within(float $chance, float $rate): float
    {
        return $rate <= 0.0 ? \INF : -log(1 - $chance) / $rate;
    }

    private static function chance(float $rate, float $time): float
    {
        return -expm1(-$rate * max(0.0, $time));
    }
}
