<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What people report about a run when the unit comes back. What only some units suffer, their family says. */
interface RemarkKind
{
    /** What it is called, and stands in a record as. */
    public function id(): string;

    /** Whether the unit then measured something else than it was to measure. */
    public function spoils(): bool;
}
