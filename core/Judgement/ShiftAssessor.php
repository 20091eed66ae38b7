<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/** Works out runs together with the shift each is part of; every run alone is worked out once. */
final class ShiftAssessor
{
    /** @var array<string, Assessment> by run */
    private array $alone = [];

    public function __construct(private readonly Assessor $assessor, private readonly Policy $policy, private readonly Yardsticks $yardsticks)
    {
    }

    /** @param list<array{Run, Timeline}> $others the runs that may share the run's shift, itself among them or not */
    public function assess(Run $run, Timeline $timeline, array $others): Assessment
    {
        $own = $this->alone($run, $timeline);
        $family = $this->assessor->family($timeline->instrument->family);
        if (!$family instanceof Composing) {
            return $own;
        }
        $shift = [$run->id => $own];
        foreach ($others as [$other, $of]) {
            if ($of->instrument->family === $timeline->instrument->family && $family->sameShift($run, $other)) {
                $shift[$other->id] ??= $this->alone($other, $of);
            }
        }
        $shift = array_values($shift);
        usort($shift, static fn (Assessment $a, Assessment $b): int => [$a->run->start, $a->run->id] <=> [$b->run->start, $b->run->id]);

        return $this->assessor->within($own, $shift, $timeline, $this->yardsticks);
    }

    private function alone(Run $run, Timeline $timeline): Assessment
    {
        return $this->alone[$run->id] ??= $this->assessor->assess($run, $timeline, $this->policy, $this->yardsticks);
    }
}
