<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Where the log of a run is from. */
final readonly class LogSource
{
    /**
     * @param LogOrigin|null $origin the file that it came in; null where there is none
     * @param LogWord|null   $word   a person's word on whether that log is the run's own
     */
    public function __construct(public ?LogOrigin $origin = null, public ?LogWord $word = null)
    {
    }
}
