<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Quantity\Unit;

/** A log drawn small: so many stretches, each with its lowest, mean and highest value. */
final readonly class LogSketch
{
    /**
     * @param float                                 $step   of a stretch, s
     * @param list<array{float, float, float}|null> $points lowest, mean, highest; null where there is none
     * @param Unit                                  $unit   of the points
     */
    public function __construct(public float $step, public array $points, public Unit $unit)
    {
    }
}
