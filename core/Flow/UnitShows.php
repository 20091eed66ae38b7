<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Quantity\Measured;

/** What a sampler itself shows of the air, as found and as left. */
final readonly class UnitShows
{
    public function __construct(
        public ?Measured $temperature,
        public ?Measured $pressure,
        public ?Measured $temperatureLeft,
        public ?Measured $pressureLeft,
    ) {
    }
}
