<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Yardsticks;

/** A record that was read. */
final readonly class RecordedCampaign
{
    /**
     * @param array<int|string, Timeline> $timelines by instrument
     * @param mixed                   $policy    identifier of a shipped policy, or a whole one
     * @param list<Check>             $checks    all that are on record, those among them that others stand in the place of
     * @param list<Run>               $runs      all that are on record, those among them that were withdrawn
     */
    public function __construct(
        public array $timelines,
        public Yardsticks $yardsticks,
        public mixed $policy,
        public \DateTimeZone $zone,
        public array $checks = [],
        public array $runs = [],
    ) {
    }

    /** @return list<Run> that were begun in error: on record, and of no unit */
    public function withdrawn(): array
    {
        return array_values(array_filter($this->runs, static fn (Run $run): bool => $run->notes->withdrawn !== null));
    }

    /**
     * The runs of one person, which may be of one shift.
     *
     * @return list<array{Run, Timeline}>
     */
    public function shiftOf(Run $run): array
    {
        $shift = [];
        foreach ($this->timelines as $timeline) {
            foreach ($timeline->runs() as $other) {
                if ($other->deployment->person === $run->deployment->person) {
                    $shift[] = [$other, $timeline];
                }
            }
        }

        return $shift;
    }
}
