<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Decimal;

/** The calibration factor that a unit has stored, before and after, where it shows it. */
final readonly class StoredFactors
{
    public function __construct(
        public ?Decimal $before = null,
        public ?Decimal $after = null,
    ) {
    }
}
