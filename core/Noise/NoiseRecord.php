<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\Meter\MeterRecord;

/** What a noise run brought home: a log, or totals only. */
final readonly class NoiseRecord implements RunContent, Logged
{
    /**
     * @param string           $logName the file's name and digest, for the footnote
     * @param MeterRecord|null $meter   what is written down of a sound level meter only
     * @param Traits|null      $written what its format asks beside it
     * @param Traits|null      $setUp   the template that the unit was to be set by
     */
    public function __construct(
        public ?SeriesLog $log,
        public ?NoiseTotals $totals,
        public string $logName = '',
        public ?MeterRecord $meter = null,
        public ?Traits $written = null,
        public ?Traits $setUp = null,
    ) {
    }

    public function log(): ?SeriesLog
    {
        return $this->log;
    }
}
