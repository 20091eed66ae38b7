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
        $open = [];
        foreach ($this->parts($timeline) as $part) {
            $family = $this->assessor->family($part->instrument->family);
            $finder = $this->finder($part);
            foreach (self::since(self::closing($part, $family), $part) as $run) {
                if (!isset($open['='.$run->id]) && $finder->find($run, $part)->state() === BracketState::Open) {
                    $open['='.$run->id] = $run;
                }
            }
        }
        usort($open, Run::inOrder(...));

        return $open;
    }

    /** The last check that can be the end of a bracket: no run that was over by then is open. Null where there is none. */
    private static function closing(Timeline $part, Family $family): ?Check
    {
        foreach ($part->checksUntil(new \DateTimeImmutable(Timeline::END)) as $check) {
            if ($family->usability()->whyUnusable($check, $part) === []) {
                return $check;
            }
        }

        return null;
    }

    /** @return list<Run> that went on at a check or began after it; none where no bracket can begin */
    private static function since(?Check $check, Timeline $part): array
    {
        return $check === null ? [] : [...$part->runsAround($check->at, $check->at), ...$part->runsFrom($check->at)];
    }

    /**
     * The runs that a check not yet accepted would close, with the verdict each would then have.
     *
     * @param list<Run> $open those whose bracket the next check can still close
     *
     * @return list<array{run: Run, verdict: Verdict, finding: Finding|null}>
     */
    public function after(Check $check, array $open, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): array
    {
        $then = $timeline->with($check);
        $closed = [];
        foreach ($open as $run) {
            if (!$this->closes($check, $run, $then)) {
                continue;
            }
            $assessment = $this->assessor->assess($run, $then, $policy, $yardsticks);
            $weightiest = $assessment->findings[0] ?? null;
            $closed[] = [
                'run' => $run,
                'verdict' => $assessment->verdict,
                'finding' => $weightiest !== null && $weightiest->severity !== Severity::Note ? $weightiest : null,
            ];
        }

        return $closed;
    }

    /** Whether a bracket of the run ends at the check, or breaks at it: looked for before anything is judged. */
    private function closes(Check $check, Run $run, Timeline $then): bool
    {
        $family = $this->assessor->family($then->instrument->family);
        foreach ($this->parts($then) as $part) {
            if ($family instanceof Channelled && $part->channel !== '' && !$family->measured($part->channel, $run)) {
                continue;
            }
            $bracket = $this->finder($part)->find($run, $part);
            if ($bracket->post?->id === $check->id || $bracket->search->brokenAfter?->evidence === $check->id) {
                return true;
            }
        }

        return false;
    }

    /** @return non-empty-list<Timeline> what of the unit has a bracket of its own: its channels, or itself */
    private function parts(Timeline $timeline): array
    {
        $family = $this->assessor->family($timeline->instrument->family);
        $parts = $family instanceof Channelled
            ? array_map(static fn (string $channel): Timeline => $family->ofChannel($channel, $timeline), $family->channels($timeline))
            : [];

        return $parts === [] ? [$timeline] : $parts;
    }

    private function finder(Timeline $part): BracketFinder
    {
        $family = $this->assessor->family($part->instrument->family);

        return new BracketFinder($family->usability(), $part->channel, $family->bracketRestsOn());
    }
}
