<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Decimal;

/** What the certified level is corrected by, dB. */
final readonly class LevelCorrections
{
    /**
     * @param Decimal|null $microphone for microphone and adapter
     * @param Decimal|null $pressure   for static pressure; none for calibrators with feedback
     */
    public function __construct(
        public ?Decimal $microphone = null,
        public ?Decimal $pressure = null,
    ) {
    }
}
