<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

enum BumpOutcome: string
{
    case Passed = 'passed';
    case Failed = 'failed';
    /** The gas was on for less than the time, and the share was not reached. */
    case BrokenOff = 'broken off';
    /** The cylinder does not hold its gas, or holds it as air does. */
    case Untested = 'untested';
}
