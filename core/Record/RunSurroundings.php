<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\StoredSeries;

/** What lies beside a run in its record: its log, the site's zone, and what its family may look up. */
final readonly class RunSurroundings
{
    /**
     * @param iterable<string>|null $lines   of the log file that the run names, where there is one
     * @param string                $logName the file's name, for the footnote
     * @param StoredSeries|null     $stored  the same log where it was read and packed before
     */
    public function __construct(
        public \DateTimeZone $zone,
        public Library $library,
        public ?iterable $lines = null,
        public string $logName = '',
        public ?StoredSeries $stored = null,
    ) {
    }
}
