<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A person's statement that the segment of a run up to a check that passed is representative of the whole. */
final readonly class Declaration
{
    public function __construct(public string $check, public string $by, public string $reason)
    {
    }
}
