<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Decimal;

/** How a meter was set for a check. */
final readonly class MeterSettings
{
    /**
     * @param Decimal|null            $entered   level that it was told to expect, where it asks
     * @param FrequencyWeighting|null $weighting null: it does not matter at 1 kHz
     * @param string|null             $adapter   diameter of the adapter used
     */
    public function __construct(
        public ?Decimal $entered = null,
        public ?FrequencyWeighting $weighting = null,
        public ?string $adapter = null,
    ) {
    }
}
