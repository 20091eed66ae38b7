<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** Whether a unit may go out. */
enum FitState: string
{
    /** Nothing is against a run that begins now. */
    case Fit = 'fit';

    /** A check can set it right. */
    case CheckFirst = 'check first';

    /** It failed at its last check, or a laboratory or a workshop must see it. */
    case Held = 'held';
}
