<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;

/**
 * One line of a certificate: what the laboratory found at a nominal value.
 *
 * Units are those of the reference's kind: dB for an acoustic calibrator.
 */
final readonly class CertifiedValue
{
    /** @param Traits $beside what else tells it from another of the same nominal value, such as the frequency of a tone */
    public function __construct(
        public Decimal $nominal,
        public Decimal $certified,
        public ?Decimal $uncertainty,
        public Traits $beside = new Traits([]),
    ) {
    }
}
