<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Quantity\Decimal;

/** How a flow standard was used at a check. */
final readonly class AtStandard
{
    /**
     * @param string       $setting   the throat, where the standard has several
     * @param Air          $air       at the standard
     * @param list<string> $others    thermometer and barometer
     * @param string|null  $floatRead the part of a float that was read
     * @param array{left: Decimal|null, right: Decimal|null, gravity: Decimal|null} $gauge how the manometer rested, and its fluid
     */
    public function __construct(
        public string $setting,
        public Air $air,
        public array $others,
        public ?string $floatRead,
        public array $gauge,
    ) {
    }
}
