<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Judgement\Criterion;

/** How one family's checks, runs and criteria stand in the record format. */
interface ContentFormat
{
    public function readCheck(Fields $check): CheckContent;

    /**
     * @param iterable<string>|null $log     lines of the log file that the run names, where there is one
     * @param string                $logName the file's name, for the footnote
     */
    public function readRun(Fields $run, ?iterable $log, string $logName, \DateTimeZone $zone): RunContent;

    public function readCriterion(Fields $criterion): Criterion;
}
