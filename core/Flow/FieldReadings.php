<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;

/** What was read in the field while a sample was drawn. */
final readonly class FieldReadings
{
    /**
     * @param Measured|null $displayed volume that the pump itself shows
     * @param list<Decimal> $gauges    readings of the sampler's own gauge
     */
    public function __construct(
        public Air $air,
        public ?Measured $displayed,
        public array $gauges,
    ) {
    }
}
