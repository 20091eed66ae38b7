<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Response\OffsetLine;

/** What the checks showed of a unit with a microphone. */
final readonly class OffsetFindings
{
    /**
     * @param OffsetLine|null $line        along the bracket; null where no check shows an offset
     * @param Figure|null     $largestEver the most this unit has ever drifted
     * @param Figure|null     $adjustment  summed up since its last laboratory certificate
     * @param LeftOff|null    $left        where it was left off the level of its calibrator
     */
    public function __construct(
        public ?OffsetLine $line,
        public ?Figure $largestEver,
        public ?Figure $adjustment,
        public ?LeftOff $left,
    ) {
    }
}
