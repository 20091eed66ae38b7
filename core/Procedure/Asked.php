<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** When a thing is written down, and whether the next run likely says the same. */
enum Asked: string
{
    case AtTheStart = 'start';
    case AtTheEnd = 'end';
    /** At the start, and otherwise for each run: a number, a moment. */
    case OfOneRun = 'once';
    /** By the bench, before anything was read: alone it is no answer. */
    case Beforehand = 'beforehand';
}
