<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What a step says: its name, what to do, and why. */
final readonly class StepWords
{
    public function __construct(public string $title, public string $instruction, public string $why)
    {
    }
}
