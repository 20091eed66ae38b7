<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Log\LogSketch;
use Footnote\Core\Log\SeriesLog;

/** A family whose logs can be drawn small, as one line for the whole unit. */
interface SketchesLogs
{
    /** @param int $most how many stretches it is drawn in, at most */
    public function sketch(SeriesLog $log, int $most): LogSketch;
}
