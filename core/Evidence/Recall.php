<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A reference was found wrong: nothing that leaned on it from $since to $until stands unexamined. */
final readonly class Recall
{
    public function __construct(public \DateTimeImmutable $since, public ?\DateTimeImmutable $until, public string $reason)
    {
    }

    public function covers(\DateTimeImmutable $moment): bool
    {
        return $this->since <= $moment && ($this->until === null || $moment <= $this->until);
    }
}
