<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A check that shows nothing of the instrument and was passed over, and why. */
final readonly class PassedOver
{
    /** @param non-empty-list<string> $reasons */
    public function __construct(public Check $check, public array $reasons)
    {
    }
}
