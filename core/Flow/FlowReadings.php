<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Flow\Standard\FlowRow;

/** What was read of a flow at a check. */
final readonly class FlowReadings
{
    /**
     * @param list<FlowRow>   $asFound
     * @param list<FlowRow>   $asLeft
     * @param list<FlowRow>   $points     of a multi-point calibration
     * @param Standstill|null $standstill why nothing flowed as found; null where something did, or nobody said
     */
    public function __construct(
        public array $asFound,
        public array $asLeft,
        public bool $adjusted,
        public array $points = [],
        public ?Standstill $standstill = null,
    ) {
    }
}
