<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Figure;

/** How far a channel had moved at a check against the one that began its segment. */
final readonly class GasDrift
{
    /**
     * @param Figure $span     of the label, %
     * @param Figure $absolute of the span reading, in the unit of the channel
     * @param Figure $zero     in the unit of the channel
     */
    public function __construct(
        public string $check,
        public Figure $span,
        public Figure $absolute,
        public Figure $zero,
        public Figure $label,
    ) {
    }
}
