<?php

declare(strict_types=1);

namespace Footnote\App\Http\Checks;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Workings;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;

/** The runs that rest on a check: those that it opens, closes, or lies in. */
final readonly class RestingRuns
{
    /** So many runs before and after it are looked at. */
    private const MOST = 40;

    public function __construct(private Campaigns $campaigns, private Workings $workings)
    {
    }

    /** @return list<array{run: string, person: string, task: string, start: string, how: string, verdict: string}> */
    public function on(Check $check, Timeline $timeline): array
    {
        $found = [];
        foreach ($this->around($check, $timeline) as $run) {
            $worked = $this->workings->worked($run->id, $this->campaigns->policyOf($run->id));
            if (\in_array($check->id, $worked->checks(), true)) {
                $verdict = $worked->school['verdict'] ?? '';
                $found[] = [
                    'run' => $run->id,
                    'person' => $run->deployment->person,
                    'task' => $run->deployment->task,
                    'start' => $run->timing->start->format(\DATE_ATOM),
                    'how' => match (true) {
                        $check->at <= $run->timing->start => 'opens',
                        $run->timing->stop !== null && $check->at >= $run->timing->stop => 'closes',
                        default => 'lies in',
                    },
                    'verdict' => \is_string($verdict) ? $verdict : '',
                ];
            }
        }

        return $found;
    }

    /**
     * Whatever lies between the checks before and after the neighbours: one that was passed over may have been looked at.
     *
     * @return list<Run>
     */
    private function around(Check $check, Timeline $timeline): array
    {
        $from = self::far($timeline->checksUntil($check->at), $check) ?? new \DateTimeImmutable(Timeline::BEGINNING);
        $until = self::far($timeline->checksFrom($check->at), $check) ?? new \DateTimeImmutable(Timeline::END);
        $runs = $timeline->runsAround($from, $until);
        $before = array_filter($runs, static fn (Run $run): bool => $run->timing->start < $check->at);
        $after = array_filter($runs, static fn (Run $run): bool => $run->timing->start >= $check->at);

        return [...\array_slice($before, -self::MOST), ...\array_slice($after, 0, self::MOST)];
    }

    /** @param iterable<Check> $checks going away from it */
    private static function far(iterable $checks, Check $from): ?\DateTimeImmutable
    {
        $passed = 0;
        foreach ($checks as $check) {
            if ($check->id !== $from->id && ++$passed === 2) {
                return $check->at;
            }
        }

        return null;
    }
}
