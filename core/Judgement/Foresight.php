<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Bracket;
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
        $parts = $family instanceof Channelled
            ? array_map(static fn (string $channel): Timeline => $family->ofChannel($channel, $timeline), $family->channels($timeline))
            : [$timeline];
        $open = [];
        foreach ($parts as $part) {
            $finder = new BracketFinder($family->usability(), $part->channel, $family->bracketRestsOn());
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
     * @return list<array{run: Run, verdict: Verdict, finding: Finding|null}>
     */
    public function after(Check $check, Timeline $timeline, Policy $policy, Yardsticks $yardsticks): array
    {
        $then = $timeline->with($check);
        $closed = [];
        foreach ($this->openRuns($timeline) as $run) {
            $assessment = $this->assessor->assess($run, $then, $policy, $yardsticks);
            $touched = array_filter(
                $assessment->brackets === [] ? [$assessment->bracket] : $assessment->brackets,
                static fn (Bracket $bracket): bool => $bracket->post?->id === $check->id
                    || $bracket->search->brokenAfter?->evidence === $check->id,
            );
            if ($touched !== []) {
                $weightiest = $assessment->findings[0] ?? null;
                $closed[] = [
                    'run' => $run,
                    'verdict' => $assessment->verdict,
                    'finding' => $weightiest !== null && $weightiest->severity !== Severity::Note ? $weightiest : null,
                ];
            }
        }

        return $closed;
    }
}
