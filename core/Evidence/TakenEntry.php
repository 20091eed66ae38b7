<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What a step asked beside its readings, such as the temperature of the air, and a source gave: on which line of a kept file it stands. */
final readonly class TakenEntry
{
    /** @param string $line the number of the file and that of the line, such as "F-00012:37" */
    public function __construct(public string $field, public Provenance $how, public string $line)
    {
    }
}
