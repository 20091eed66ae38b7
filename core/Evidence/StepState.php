<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What became of one step of a procedure. */
enum StepState: string
{
    case Done = 'done';
    case Skipped = 'skipped';
    case NotApplicable = 'not applicable';
}
