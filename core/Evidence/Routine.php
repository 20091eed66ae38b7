<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What is done to an instrument or a reference again and again, before it grows old. What of its own units, a family says. */
interface Routine
{
    /** What it is called, and stands in a record as. */
    public function id(): string;
}
