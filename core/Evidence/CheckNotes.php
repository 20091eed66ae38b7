<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Who made a check, and what persons said of it. */
final readonly class CheckNotes
{
    /** @param SetAside|null $setAside a person's statement that this check shows nothing */
    public function __construct(public string $by, public string $remarks = '', public ?SetAside $setAside = null)
    {
    }
}
