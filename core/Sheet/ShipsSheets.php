<?php

declare(strict_types=1);

namespace Footnote\Core\Sheet;

/** A family that brings templates of model sheets. */
interface ShipsSheets
{
    /** @return list<array<string, mixed>> in the record format, naming no model */
    public function sheets(): array;
}
