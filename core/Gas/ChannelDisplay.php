<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Decimal;

/** What the display of a channel can show. */
final readonly class ChannelDisplay
{
    /**
     * @param Decimal|null $range       the most it can show, in its unit
     * @param Decimal|null $alarm       lowest set point, in its unit
     * @param bool         $stopsAtZero whether it shows nothing below zero
     */
    public function __construct(
        public ?Decimal $range,
        public ?Decimal $resolution,
        public ?Decimal $alarm,
        public bool $stopsAtZero,
    ) {
    }
}
