<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What one family writes down at a check. */
interface CheckContent
{
    /** The procedure that was walked; empty: the usual one of its family. */
    public function procedure(): string;

    /**
     * Further references that it leans on beside the one it names, such as a thermometer.
     *
     * @return list<string>
     */
    public function leansOn(): array;

    /** Whether the instrument was adjusted, by a person or by itself. */
    public function wasAdjusted(): bool;

    /** Whether a value as found is on record, or can be told from the change of the stored factor. */
    public function hasAsFound(): bool;

    /** Whether the state it was left in was read, or is the state it was found in. */
    public function asLeftIsKnown(): bool;
}
