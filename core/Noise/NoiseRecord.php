<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\SeriesLog;

/** What a run with a microphone brought home: a log, or totals only. */
final readonly class NoiseRecord implements RunContent, Logged
{
    /**
     * @param string      $logName the file's name and digest, for the footnote
     * @param Traits|null $written what its format asks beside it
     * @param Traits|null $setUp   the template that the unit was to be set by
     */
    public function __construct(
        public ?SeriesLog $log,
        public ?NoiseTotals $totals,
        public string $logName = '',
        public ?Traits $written = null,
        public ?Traits $setUp = null,
    ) {
    }

    public function log(): ?SeriesLog
    {
        return $this->log;
    }
}
