<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/**
 * What the usable checks of a unit say, each held against the state that the one before left it in: as points for a picture of
 * months, or added to a tally, so that a run is judged without reading them all.
 *
 * @template T what a check shows
 */
final readonly class CheckHistory
{
    /** @var \WeakMap<Check, array{T|null, T|null}> what each check showed */
    private \WeakMap $read;

    /**
     * @param string                                   $parameter of the response: whatever breaks it begins anew
     * @param \Closure(Check): bool                    $shows     whether a check is of the kind that the history is of
     * @param \Closure(Check, Timeline): array{T|null, T|null} $reads as found and as left; null where it shows none
     * @param \Closure(T, T, Check): ?float            $drift     from the state left before to the one found
     * @param \Closure(T): ?float                      $number    for the points
     */
    public function __construct(
        private Usability $usability,
        private string $parameter,
        private \Closure $shows,
        private \Closure $reads,
        private \Closure $drift,
        private \Closure $number,
    ) {
        /** @var \WeakMap<Check, array{T|null, T|null}> $read */
        $read = new \WeakMap();
        $this->read = $read;
    }

    /** @return list<HistoryPoint> of all usable checks up to a moment, in order of time */
    public function points(Timeline $timeline, \DateTimeImmutable $until): array
    {
        $points = [];
        $leftBy = null;
        foreach ($timeline->checksFrom(new \DateTimeImmutable(Timeline::BEGINNING), $until) as $check) {
            [$point, $leftBy] = $this->next($leftBy, $check, $timeline);
            if ($point !== null) {
                $points[] = $point;
            }
        }

        return $points;
    }

    /** What the last check up to a moment says; null where it shows nothing of the unit. No more is read than the check before it. */
    public function last(Timeline $timeline, \DateTimeImmutable $until): ?HistoryPoint
    {
        $last = null;
        $leftBy = null;
        foreach ($timeline->checksUntil($until) as $check) {
            if ($last === null) {
                $last = $check;
                continue;
            }
            if (($this->shows)($check) && $this->usability->whyUnusable($check, $timeline) === []) {
                $leftBy = $this->of($check, $timeline)[1] === null ? null : $check;
                break;
            }
            if ($check->content->wasAdjusted()) {
                break;
            }
        }

        return $last === null ? null : $this->next($leftBy, $last, $timeline)[0];
    }

    /** The tally with one more check: the state it left, the largest drift, the sum of adjustments. */
    public function add(Tally $tally, Check $check, Timeline $timeline): Tally
    {
        [$point, $leftBy] = $this->next($tally->leftBy === null ? null : $timeline->check($tally->leftBy), $check, $timeline);
        $drift = $point?->drift;

        return new Tally(
            $leftBy?->id,
            $drift !== null && ($tally->largest === null || abs($drift) > abs($tally->largest->size))
                ? new LargestDrift($check->id, $tally->leftBy ?? '', $drift)
                : $tally->largest,
            $point?->adjustment === null ? $tally->adjustments : $tally->adjustments->with($check->id, $point->adjustment),
            $tally->met,
            $tally->curve,
        );
    }

    /** @return array{T|null, T|null} what a check showed, as found and as left */
    public function of(Check $check, Timeline $timeline): array
    {
        return $this->read[$check] ??= ($this->reads)($check, $timeline);
    }

    /** @return array{HistoryPoint|null, Check|null} what it says, and the check whose state as left the unit is in after it */
    private function next(?Check $leftBy, Check $check, Timeline $timeline): array
    {
        if (!($this->shows)($check) || $this->usability->whyUnusable($check, $timeline) !== []) {
            return [null, $check->content->wasAdjusted() ? null : $leftBy];
        }
        $left = $leftBy === null || $this->isBroken($timeline, $leftBy->at, $check->at) ? null : $this->of($leftBy, $timeline)[1];
        [$found, $now] = $this->of($check, $timeline);
        $before = $found === null ? null : ($this->number)($found);
        $after = $now === null ? null : ($this->number)($now);

        return [
            new HistoryPoint(
                $check->at,
                $check->id,
                $before,
                $after,
                $found !== null && $left !== null ? ($this->drift)($left, $found, $check) : null,
                $check->content->wasAdjusted() && $before !== null && $after !== null ? $after - $before : null,
            ),
            $now === null ? null : $check,
        ];
    }

    private function isBroken(Timeline $timeline, \DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        foreach ($timeline->interventionsFrom($from, $to) as $event) {
            if ($event->at > $from && $event->breaks($timeline->channel, $this->parameter)) {
                return true;
            }
        }

        return false;
    }
}
