<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A person's word on whether the log that stands under a run is of that run. */
final readonly class LogWord
{
    public function __construct(public bool $isOwn, public string $reason, public string $by)
    {
    }
}
