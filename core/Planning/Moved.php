<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * The same day where something is later than was planned: what was done stands at the minute at which it was done, and everything else
 * keeps its order and begins when it was planned to, or as soon after it as it can.
 */
final readonly class Moved
{
    /**
     * @param list<Activity> $planned
     * @param array<string, array{from: int, to: int}> $done by measurement and step, when it was done
     * @param int|null $now what is not done does not begin before this minute; null: no such minute
     *
     * @return list<Activity> in their order
     */
    public static function activities(DayAsked $asked, array $planned, array $done = [], ?int $now = null): array
    {
        usort($planned, Activity::inOrder(...));
        $moved = [];
        foreach ($planned as $one) {
            $fact = $done[self::key($one->task->wanted, $one->kind)] ?? null;
            $moved[] = $fact === null ? $one->at(max($now ?? $one->from, self::soonest($asked, $one, $moved))) : $one->done($fact);
        }
        usort($moved, Activity::inOrder(...));

        return $moved;
    }

    /** By which what is done of a measurement is told. */
    public static function key(Wanted $wanted, ActivityKind $kind): string
    {
        return $wanted->id.' '.$kind->value;
    }

    /**
     * @param list<Activity> $moved what comes before it, where it is now
     */
    private static function soonest(DayAsked $asked, Activity $one, array $moved): int
    {
        $places = $asked->places;
        $soonest = $one->from;
        foreach ($asked->crew as $member) {
            if ($member->name === $one->by) {
                $soonest = max($soonest, $member->comes() + $places->between($places->base, $one->place));
            }
        }
        foreach ($moved as $before) {
            if ($before->by === $one->by) {
                $soonest = max($soonest, $before->to + $places->between($before->place, $one->place));
            }
            if ($one->reference !== null && $before->reference === $one->reference) {
                $soonest = max($soonest, $before->to);
            }
            $isOfUnit = $before->task->unit->id === $one->task->unit->id;
            if ($isOfUnit && $one->kind === ActivityKind::SwitchOn) {
                $soonest = max($soonest, $before->to);
            }
            if ($before->isOf($one->task)) {
                $waits = $one->kind === ActivityKind::PreCheck ? $one->task->unit->readiness->soak : 0;
                $soonest = max($soonest, $before->to + $waits);
            }
        }

        return match ($one->kind) {
            ActivityKind::Fit => max($soonest, $one->task->begins - $asked->handling->notSooner),
            ActivityKind::TakeOff => max($soonest, $one->task->ends),
            default => $soonest,
        };
    }
}
