<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Decimal;

/** How a channel was set for a run. */
final readonly class UnitSetting
{
    /**
     * @param Decimal|null $unitFactor correction factor that the unit itself applied; none: 1
     * @param Decimal|null $handFactor factor that the numbers were multiplied by already; none: 1
     * @param bool         $milligram  whether the unit was set to show mg/m³
     */
    public function __construct(
        public ?Decimal $unitFactor = null,
        public ?Decimal $handFactor = null,
        public bool $milligram = false,
    ) {
    }
}
