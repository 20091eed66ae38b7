<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What the bench asks at a step. */
enum StepKind: string
{
    case Confirm = 'confirm';
    case Wait = 'wait';
    case Reference = 'reference';
    case Readings = 'readings';
    case Adjust = 'adjust';
    /** Fields to fill in. */
    case Entries = 'entries';
}
