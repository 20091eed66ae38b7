<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Evidence\Logged;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\Heard;
use Footnote\Core\Noise\NoiseRecord;

/** What a measurement with a sound level meter brought home, and what is written down beside it. */
final readonly class MeterRun implements RunContent, Logged, Heard
{
    public function __construct(private NoiseRecord $heard, public MeterRecord $record)
    {
    }

    /** What is written down of a measurement with a sound level meter; null for every other unit. */
    public static function record(Run $run): ?MeterRecord
    {
        return $run->content instanceof self ? $run->content->record : null;
    }

    public function log(): ?SeriesLog
    {
        return $this->heard->log;
    }

    public function heard(): NoiseRecord
    {
        return $this->heard;
    }
}
