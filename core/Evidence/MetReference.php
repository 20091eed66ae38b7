<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A value of a reference that a unit met at a check, and would show again. */
final readonly class MetReference
{
    /** @param float $value in the unit that the family keeps it in */
    public function __construct(public string $reference, public float $value)
    {
    }
}
