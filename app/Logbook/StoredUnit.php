<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Evidence\Timeline;

/** A unit of the logbook as runs of it are judged. */
final readonly class StoredUnit
{
    public function __construct(public Timeline $timeline, private StoredChronicle $chronicle, public StoredMarks $marks)
    {
    }

    /**
     * Reads runs that will be asked for, in one go.
     *
     * @param list<string> $runs
     */
    public function expecting(array $runs): self
    {
        $this->chronicle->load($runs);

        return $this;
    }
}
