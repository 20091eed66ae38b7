<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What ended a bracket for good: an adjustment that was not read first, a repair, an exchange; or a check that the unit failed. */
final readonly class BracketBreak
{
    public function __construct(public \DateTimeImmutable $at, public string $what, public string $evidence, public bool $failed = false)
    {
    }
}
