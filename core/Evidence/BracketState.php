<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** How a bracket stands: its sign is drawn from this. */
enum BracketState: string
{
    /** Both ends are there. */
    case Closed = 'closed';
    /** The run still goes on. */
    case Running = 'running';
    /** Its end is missing and can still come. */
    case Open = 'open';
    /** Its beginning is missing; the end is there or can still come. */
    case NoBeginning = 'no beginning';
    /** Broken for good. */
    case Broken = 'broken';
}
