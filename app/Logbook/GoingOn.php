<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Evidence\Intervention;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Apart;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\BenchGuide;
use Footnote\Core\Judgement\LearnedInterval;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\TrendSignal;
use Footnote\Core\Judgement\TrendWatch;

/**
 * How a unit goes on, channel by channel: what is out of the ordinary, and what of that was shared by the units beside it.
 *
 * @phpstan-type GoesOn array{channel: string, watch: TrendWatch, words: list<string>, now: list<string>, learned: LearnedInterval|null}
 */
final readonly class GoingOn
{
    public function __construct(private Logbook $logbook, private Assessor $assessor, private SharedMoves $shared)
    {
    }

    /**
     * @param \DateTimeImmutable $now up to which it is looked at, in the zone of the site
     *
     * @return list<GoesOn> words that are all that is to be said, what is to be known before it is used, and what it teaches of its
     *                      intervals
     */
    public function of(string $unit, Policy $policy, \DateTimeImmutable $now): array
    {
        $timeline = $this->logbook->timeline($unit);
        $family = $this->assessor->family($timeline->instrument->family);

        return array_map(
            fn (array $one): array => $this->channel($one[0], $one[1], $family->bench(), $policy, $now),
            Apart::of($family, $timeline),
        );
    }

    /** @return GoesOn */
    private function channel(string $channel, Timeline $timeline, BenchGuide $bench, Policy $policy, \DateTimeImmutable $now): array
    {
        $interventions = array_values(array_filter(
            $timeline->interventions(),
            static fn (Intervention $one): bool => ($one->channel === null || $one->channel === $channel) && $one->at <= $now,
        ));
        $history = $bench->history($timeline, $now);
        $action = $bench->actionLimit($policy);
        $watch = TrendWatch::of($history, $bench->sharedShift(), $action, $policy, $interventions, $now);
        $last = $watch->series->points[\count($watch->series->points) - 1][0] ?? null;
        $beside = $atLast = [];
        foreach (array_unique(array_map(static fn (TrendSignal $one): string => $one->at->check, $watch->signals)) as $place => $check) {
            $point = $watch->signals[$place]->at;
            $words = $this->shared->beside($timeline, $channel, $point);
            if ($words !== '') {
                $beside[] = $words;
                $atLast = $point === $last ? [$words] : $atLast;
            }
        }

        return [
            'channel' => $channel,
            'watch' => $watch,
            'words' => [...$watch->words, ...$beside],
            'now' => [...$watch->now, ...$atLast],
            'learned' => $action === null ? null : LearnedInterval::of($watch, $action),
        ];
    }
}
