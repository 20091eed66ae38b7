<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What one family writes down at a check. */
interface CheckContent
{
    /** Whether the instrument was adjusted, by a person or by itself. */
    public function wasAdjusted(): bool;

    /** Whether a value as found is on record, or can be told from the change of the stored factor. */
    public function hasAsFound(): bool;

    /** Whether the state it was left in was read, or is the state it was found in. */
    public function asLeftIsKnown(): bool;
}
