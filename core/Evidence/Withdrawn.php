<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** That a run was begun in error: it measured nothing, and its unit was free. It stays on record. */
final readonly class Withdrawn
{
    public function __construct(public \DateTimeImmutable $at, public string $by, public string $reason)
    {
    }
}
