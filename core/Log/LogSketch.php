<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** A log drawn small: so many stretches, each with its lowest, mean and highest value. */
final readonly class LogSketch
{
    /**
     * @param float                                 $step   of a stretch, s
     * @param list<array{float, float, float}|null> $points lowest, mean, highest; null where there is none
     */
    public function __construct(public float $step, public array $points)
    {
    }
}
