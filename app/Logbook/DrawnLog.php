<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Log\LogSketch;

/** A log, or one channel of it, as it is drawn small. */
final readonly class DrawnLog
{
    /**
     * @param string             $words what is drawn; empty: all that the unit logs
     * @param \DateTimeImmutable $start true time of the first stretch
     */
    public function __construct(public string $words, public \DateTimeImmutable $start, public LogSketch $sketch)
    {
    }
}
