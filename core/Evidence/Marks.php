<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Keeps the marks of one unit. Those of one kind follow each other without a gap, from the unit's first check on. */
interface Marks
{
    /** The last one up to a moment and at it; null where none is kept. */
    public function last(MarkOf $of, \DateTimeImmutable $until): ?Mark;

    /** The one that follows the last. */
    public function keep(MarkOf $of, Mark $mark): void;
}
