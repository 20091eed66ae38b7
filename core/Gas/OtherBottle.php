<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Measured;

/** The bottle of isobutylene beside the check's own reference. */
final readonly class OtherBottle
{
    /**
     * @param string|null $reference where it is not the check's own
     */
    public function __construct(
        public ?string $reference,
        public ?Measured $pressure,
    ) {
    }
}
