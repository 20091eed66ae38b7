<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Decimal;

/** What the display of a channel showed where there is no log. */
final readonly class ChannelTotals
{
    public function __construct(
        public ?Decimal $mean = null,
        public ?Decimal $shortTerm = null,
        public ?Decimal $peak = null,
        public ?Decimal $lowest = null,
    ) {
    }
}
