<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\LogOrigin;
use Footnote\Core\Log\LogFile;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\UnreadableLog;

/** What lies beside a run in its record: its log, the site's zone, and what its family may look up. */
final readonly class RunSurroundings
{
    /**
     * @param LogOrigin|null $origin of the log, where there is one
     * @param LogFile|null   $file   to be read
     * @param SeriesLog|null $stored the same where it was read and packed before
     */
    public function __construct(
        public \DateTimeZone $zone,
        public Library $library,
        public Laboratory $laboratory,
        private LogFormatReader $formats,
        public ?LogOrigin $origin = null,
        private ?LogFile $file = null,
        private ?SeriesLog $stored = null,
    ) {
    }

    /** The name of the log's file, for the footnote. */
    public function logName(): string
    {
        return $this->origin->name ?? '';
    }

    /**
     * The log of the run, where it has one.
     *
     * @throws InvalidRecord where its file cannot be read as the run says that it is written
     */
    public function log(Fields $run): ?SeriesLog
    {
        $fields = $run->optionalObject('log');
        if ($this->stored !== null || $fields === null || $this->file === null) {
            return $this->stored;
        }
        $format = $this->formats->read($fields->object('format'));
        try {
            return (new LogReader($format))->read($this->file->lines(), $this->zone, $fields->optionalMoment('start'));
        } catch (UnreadableLog $problem) {
            throw new InvalidRecord($fields->at('file'), $problem->getMessage());
        }
    }
}
