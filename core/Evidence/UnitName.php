<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What a unit is called by: its asset number and, where stated, its maker's serial number. */
final readonly class UnitName
{
    public function __construct(public string $id, public ?string $serial)
    {
    }
}
