<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\BracketFinder;
use Footnote\Core\Evidence\BracketState;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/** What a check would do before it is accepted: which runs it closes, and what would become of them. */
final readonly class Foresight
{
    public function __construct(private Assessor $assessor)
    {
    }

    /**
     * Runs whose bracket the next check can still close: while there are any, the unit must not be adjusted unread.
     *
     * @return list<Run>
     */
    public function openRuns(Timeline $timeline): array
    {
        $family = $this->assessor->family($timeline->instrument->family);
        $finder = new BracketFinder($family->usability(), '', $family->parameter());

        return array_values(array_filter($timeline->runs, static fn (Run $run): bool => $finder->find($run, $timeline)->state() === BracketState::Open));
    }

    /**
     * The runs that a check not yet accepted would close, with the verdict each would then have.
     *
     * @return list<array{run: Run, verdict: Verdict, finding: Finding|null}>
     */
    public function after(Check $check, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): array
    {
        $then = new Timeline($timeline->instrument, [...$timeline->checks, $check], $timeline->interventions, $timeline->runs, $timeline->references);
        $closed = [];
        foreach ($this->openRuns($timeline) as $run) {
            $assessment = $this->assessor->assess($run, $then, $policy, $yardsticks);
            if ($assessment->bracket->post?->id === $check->id || $assessment->bracket->brokenAfter?->evidence === $check->id) {
                $weightiest = $assessment->findings[0] ?? null;
                $closed[] = ['run' => $run, 'verdict' => $assessment->verdict, 'finding' => $weightiest !== null && $weightiest->severity !== Severity::Note ? $weightiest : null];
            }
        }

        return $closed;
    }
}
