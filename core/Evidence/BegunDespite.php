<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A person's word on why a unit went out that was not fit to. */
final readonly class BegunDespite
{
    /** @param list<string> $against what was said against it then */
    public function __construct(public string $reason, public string $by, public array $against)
    {
    }
}
