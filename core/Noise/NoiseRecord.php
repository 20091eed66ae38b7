<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Log\SeriesLog;

/** What a noise run brought home: a log, or totals only. */
final readonly class NoiseRecord implements RunContent
{
    /** @param string $logName the file's name and digest, for the footnote */
    public function __construct(public ?SeriesLog $log, public ?NoiseTotals $totals, public string $logName = '')
    {
    }
}
