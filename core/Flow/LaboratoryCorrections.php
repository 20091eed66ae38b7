<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Quantity\Decimal;

/** What a laboratory corrected for itself, and by what. */
final readonly class LaboratoryCorrections
{
    /**
     * @param Decimal|null $efficiency of desorption, 0 to 1
     */
    public function __construct(
        public Corrected $blank,
        public Corrected $desorption,
        public ?Decimal $efficiency,
    ) {
    }
}
