<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Something done to an instrument that changes how it responds. What can be done to its own units, a family says. */
interface InterventionKind
{
    /** What it is called, and stands in a record as. */
    public function id(): string;

    /** Whether it breaks what was known of that parameter of a response ("offset", "zero", "gain", "flow"). */
    public function breaks(string $parameter): bool;
}
