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

    public function __construct(
        private readonly Assessor $assessor,
        private readonly Policy $policy,
        private readonly Yardsticks $yardsticks,
    ) {
    }

    /** @param list<array{Run, Timeline}> $others the runs that may share the run's shift, itself among them or not */
    public function assess(Run $run, Timeline $timeline, array $others): Assessment
    {
        $own = $this->alone($run, $timeline);
        $family = $this->assessor->family($timeline->instrument->family);
        if (!$family instanceof Composing || !$family->composes($run)) {
            return $own;
        }
        $timelines = ['='.$run->id => $timeline];
        $runs = [];
        foreach ($others as [$other, $of]) {
            if ($other->id !== $run->id && $of->instrument->family === $timeline->instrument->family && $family->composes($other)) {
                $timelines['='.$other->id] = $of;
                $runs[] = $other;
            }
        }
        $shift = Shift::of($run, $runs, $this->policy);

        return $this->assessor->within(
            $own,
            array_map(fn (Run $one): Assessment => $this->alone($one, $timelines['='.$one->id]), $shift->runs),
            $shift,
            $timeline,
            $this->yardsticks,
        );
    }

    private function alone(Run $run, Timeline $timeline): Assessment
    {
        return $this->alone['='.$run->id] ??= $this->assessor->assess($run, $timeline, $this->policy, $this->yardsticks);
    }
}
