<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Reach;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/** Works out runs together with the shift each is part of; every run alone is worked out once. */
final class ShiftAssessor
{
    /** @var array<string, Assessment> by = and the run */
    private array $alone = [];

    /** @var array<string, Reach> by = and the run */
    private array $reaches = [];

    /** @var array<string, Reach> those that the last answer rests on */
    private array $asked = [];

    public function __construct(
        private readonly Assessor $assessor,
        private readonly Policy $policy,
        private readonly Yardsticks $yardsticks,
    ) {
    }

    /**
     * @param iterable<array{Run, Timeline}> $others the runs that may share the run's shift, itself among them or not; none is read
     *                                               where the run is part of none
     */
    public function assess(Run $run, Timeline $timeline, iterable $others): Assessment
    {
        $this->asked = [];
        $own = $this->alone($run, $timeline);
        $family = $this->assessor->family($timeline->instrument->family);
        if (!$family instanceof Composing || !$family->composes($run)) {
            return $own;
        }
        $timelines = ['='.$run->id => $timeline];
        $runs = [];
        foreach ($others as [$other, $of]) {
            if ($other->id !== $run->id
                && $of->instrument->family === $timeline->instrument->family
                // Nobody was exposed in practice: it is no part of a real day.
                && $of->instrument->isPractice() === $timeline->instrument->isPractice()
                && $family->composes($other)) {
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

    /** @return array<string, Reach> how far evidence was asked for the run assessed last and for its shift's others, by = and the run */
    public function reaches(): array
    {
        return $this->asked;
    }

    private function alone(Run $run, Timeline $timeline): Assessment
    {
        $key = '='.$run->id;
        $this->asked[$key] = $this->reaches[$key] ??= new Reach();

        return $this->alone[$key] ??= $this->assessor->assess($run, $timeline, $this->policy, $this->yardsticks, $this->reaches[$key]);
    }
}
