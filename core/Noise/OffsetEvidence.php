<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Response\OffsetKnot;
use Footnote\Core\Response\OffsetLine;

/** What the checks of a unit say of its offset. */
final readonly class OffsetEvidence
{
    /**
     * @param OffsetLine|null  $line        of the tone that the unit is adjusted to; null where no check shows one
     * @param list<OffsetKnot> $further     what its other tones showed: they widen the drift interval
     * @param Figure|null      $largestEver the most this unit has ever drifted
     * @param Figure|null      $error       of the calibrator that set the unit, which was recalled: taken out of what the unit showed
     */
    public function __construct(
        public ?OffsetLine $line,
        public array $further,
        public ?Figure $largestEver,
        public ?Figure $error = null,
    ) {
    }
}
