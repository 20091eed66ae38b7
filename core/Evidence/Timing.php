<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Span;
use Footnote\Core\Quantity\SpanEndsBeforeItStarts;

/** When a unit ran, by true time and by its own. */
final readonly class Timing
{
    /**
     * Times are true times: where they were read off the unit's clock, its offset has been taken out on reading.
     *
     * @param \DateTimeImmutable|null $stop           null while it runs
     * @param list<Span>              $pauses
     * @param float|null              $clockOffset    unit − true, s; null where nobody noted it
     * @param float|null              $plannedMinutes how long it was meant to run
     * @param float|null              $timerMinutes   what the unit's own timer says it ran
     */
    public function __construct(
        public \DateTimeImmutable $start,
        public ?\DateTimeImmutable $stop,
        public array $pauses = [],
        public ?float $clockOffset = null,
        public ?float $plannedMinutes = null,
        public ?float $timerMinutes = null,
    ) {
        if ($stop !== null && $stop <= $start) {
            throw new SpanEndsBeforeItStarts('A run stops after it starts.');
        }
    }
}
