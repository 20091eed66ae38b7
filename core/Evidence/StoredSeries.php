<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A log of equal intervals, wherever it is kept; each family's kind adds how it is read. */
interface StoredSeries
{
    /** What the unit's own clock showed at the start of the first interval. */
    public function start(): \DateTimeImmutable;

    /** Length of an interval, s. */
    public function step(): float;

    /** Number of intervals, gaps included. */
    public function length(): int;
}
