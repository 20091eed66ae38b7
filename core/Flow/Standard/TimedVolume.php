<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Quantity\Decimal;

/** A volume and the time that it took. */
final readonly class TimedVolume
{
    /**
     * @param Decimal|null $volume  mL
     * @param Decimal|null $seconds s
     */
    public function __construct(
        public ?Decimal $volume = null,
        public ?Decimal $seconds = null,
    ) {
    }
}
