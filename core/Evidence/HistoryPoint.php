<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What one usable check said of a unit, for its history. */
final readonly class HistoryPoint
{
    /**
     * @param float|null $found      deviation or flow as found, in the family's unit
     * @param float|null $left       the same as left
     * @param float|null $drift      as found against the state the check before left it in
     * @param float|null $adjustment as left less as found, where it was adjusted
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public string $check,
        public ?float $found,
        public ?float $left,
        public ?float $drift,
        public ?float $adjustment,
    ) {
    }
}
