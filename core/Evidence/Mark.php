<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A tally as of a check: whatever happened up to it, and it itself, is in it. */
final readonly class Mark
{
    public function __construct(public \DateTimeImmutable $at, public string $check, public Tally $tally)
    {
    }

    public function isBefore(Check $check): bool
    {
        return [$this->at, $this->check] < [$check->at, $check->id];
    }
}
