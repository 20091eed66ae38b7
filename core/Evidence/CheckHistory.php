<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What the usable checks of a unit say over months, each held against the state that the one before left it in. */
final readonly class CheckHistory
{
    /** @param list<HistoryPoint> $points in order of time */
    public function __construct(public array $points)
    {
    }

    /**
     * @template T
     *
     * @param string                          $parameter of the response: whatever breaks it begins anew
     * @param \Closure(Check): bool           $shows     whether a check is of the kind that the history is of
     * @param \Closure(Check): array{T, T}    $read      as found and as left; null where it shows none
     * @param \Closure(T, T, Check): ?float   $drift     from the state left before to the one found
     * @param \Closure(T): ?float             $number    for the points
     */
    public static function of(
        Timeline $timeline,
        Usability $usability,
        string $parameter,
        \Closure $shows,
        \Closure $read,
        \Closure $drift,
        \Closure $number,
    ): self {
        $points = [];
        $left = null;
        $leftAt = null;
        foreach ($timeline->checks as $check) {
            if (!$shows($check) || $usability->whyUnusable($check, $timeline) !== []) {
                $left = $check->content->wasAdjusted() ? null : $left;
                continue;
            }
            if ($leftAt !== null && self::isBroken($timeline, $parameter, $leftAt, $check->at)) {
                $left = null;
            }
            [$found, $now] = $read($check);
            $before = $found === null ? null : $number($found);
            $after = $now === null ? null : $number($now);
            $points[] = new HistoryPoint(
                $check->at,
                $check->id,
                $before,
                $after,
                $found !== null && $left !== null ? $drift($left, $found, $check) : null,
                $check->content->wasAdjusted() && $before !== null && $after !== null ? $after - $before : null,
            );
            $left = $now;
            $leftAt = $check->at;
        }

        return new self($points);
    }

    public function until(\DateTimeImmutable $until): self
    {
        return new self(array_values(array_filter($this->points, static fn (HistoryPoint $point): bool => $point->at <= $until)));
    }

    /** The point with the largest drift either way. */
    public function furthest(): ?HistoryPoint
    {
        $furthest = null;
        foreach ($this->points as $point) {
            if ($point->drift !== null && ($furthest === null || abs($point->drift) > abs($furthest->drift ?? 0.0))) {
                $furthest = $point;
            }
        }

        return $furthest;
    }

    private static function isBroken(Timeline $timeline, string $parameter, \DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        foreach ($timeline->interventions as $event) {
            if ($event->at > $from && $event->at <= $to && $event->breaks($timeline->channel, $parameter)) {
                return true;
            }
        }

        return false;
    }
}
