<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** Whether the whole drift interval lies on one side of a limit. It is about drift only, never about uncertainty. */
enum Robustness: string
{
    case Robust = 'robust';
    case Undecided = 'undecided';
    /** No check response to make an interval of. */
    case NotKnown = 'not known';
}
