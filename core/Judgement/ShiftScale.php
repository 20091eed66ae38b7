<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Quantity\Unit;

/** From when on units that moved alike point at their reference. */
final readonly class ShiftScale
{
    public function __construct(public float $near, public float $least, public Unit $unit)
    {
    }
}
