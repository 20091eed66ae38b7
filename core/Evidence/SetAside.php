<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A person's statement, added afterwards, that a check shows nothing of the instrument. */
final readonly class SetAside
{
    public function __construct(public \DateTimeImmutable $at, public string $by, public string $reason)
    {
    }
}
