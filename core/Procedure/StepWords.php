<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What a step says: its name, what to do, and why; and what can hurt somebody at it. */
final readonly class StepWords
{
    public function __construct(public string $title, public string $instruction, public string $why, public ?Caution $caution = null)
    {
    }
}
