<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/**
 * Chance that is the same again for the same seed. What comes of it hangs on what is asked and when, not on what was asked before:
 * a reading that nobody looked at changes no later one.
 */
final readonly class Chance
{
    /** 2⁵³, the whole numbers that a float tells apart. */
    private const STEPS = 9007199254740992;

    public function __construct(private int $seed)
    {
    }

    /** Between 0 and 1, neither of them. */
    public function uniform(string $what, int $when): float
    {
        $bits = unpack('J', substr(hash('sha256', $this->seed.' '.$when.' '.$what, true), 0, 8));
        \assert(\is_array($bits) && \is_int($bits[1]));

        return (($bits[1] & (self::STEPS - 1)) + 0.5) / self::STEPS;
    }

    /** Of mean 0 and standard deviation 1 (Box and Muller, Annals of Mathematical Statistics 29, 1958). */
    public function normal(string $what, int $when): float
    {
        return sqrt(-2 * log($this->uniform($what.' radius', $when))) * cos(2 * \M_PI * $this->uniform($what.' angle', $when));
    }
}
