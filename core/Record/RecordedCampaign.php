<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Yardsticks;

/** A record that was read. */
final readonly class RecordedCampaign
{
    /**
     * @param array<string, Timeline> $timelines by instrument
     * @param mixed                   $policy    identifier of a shipped policy, or a whole one
     */
    public function __construct(public array $timelines, public Yardsticks $yardsticks, public mixed $policy, public \DateTimeZone $zone)
    {
    }
}
