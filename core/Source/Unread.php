<?php

declare(strict_types=1);

namespace Footnote\Core\Source;

/** A line that could not be read, and why: it is told, never left out in silence. */
final readonly class Unread
{
    /** @param int $line of the stretch, from 1 */
    public function __construct(public int $line, public string $problem)
    {
    }
}
