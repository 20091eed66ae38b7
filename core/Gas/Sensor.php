<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Decimal;

/** The sensor that is fitted to a channel. */
final readonly class Sensor
{
    /**
     * @param Decimal|null $lamp   eV, of a photoionisation detector
     * @param string|null  $fitted day on which it was fitted, as written
     * @param Decimal|null $life   months that it is expected to last
     */
    public function __construct(
        public ?Decimal $lamp,
        public ?string $serial,
        public ?string $fitted,
        public ?Decimal $life,
    ) {
    }
}
