<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** Where somebody does what would still cure a finding. */
enum CuredAt: string
{
    /** A check of the unit. */
    case Bench = 'bench';

    /** What is written down with the run: its log, its stop, a person's word. */
    case Run = 'run';

    /** What a laboratory says. */
    case Laboratory = 'laboratory';

    /** A check on record, which somebody says something of or sets aside. */
    case Check = 'check';

    /** What a reference, or a limit, is taken for. */
    case Kit = 'kit';
}
