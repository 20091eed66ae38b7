<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;

/** What stands at the sampler beside a reading. */
final readonly class AtSampler
{
    /**
     * @param Measured|null $target  the set-point it belongs to
     * @param Measured|null $display what the sampler itself shows
     * @param Decimal|null  $gauge   what the sampler's own gauge shows
     */
    public function __construct(
        public ?Measured $target = null,
        public ?Measured $display = null,
        public ?Decimal $gauge = null,
    ) {
    }
}
