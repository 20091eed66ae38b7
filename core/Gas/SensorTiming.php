<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Quantity\Decimal;

/** How long a sensor takes. */
final readonly class SensorTiming
{
    /**
     * @param Decimal|null $warmUp   s
     * @param Decimal|null $response to 90 %, s
     */
    public function __construct(
        public ?Decimal $warmUp,
        public ?Decimal $response,
    ) {
    }
}
