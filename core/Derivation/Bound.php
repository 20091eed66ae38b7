<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** A number of which only one side is known: what was there is at least, or at most, that. */
enum Bound: string
{
    case AtLeast = 'at least';
    case AtMost = 'at most';

    /** As it leads a number on the page. */
    public function sign(): string
    {
        return $this === self::AtLeast ? '≥' : '≤';
    }
}
