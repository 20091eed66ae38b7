<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * A day planned from what is wanted back to the minute at which somebody must switch something on.
 *
 * It is no promise: what it takes for granted are the minutes that somebody wrote down.
 */
final readonly class Scheduler
{
    public static function plan(DayAsked $asked): DayPlan
    {
        $plan = Arranged::day($asked);
        $short = (new Nearest($asked, $plan))->all();
        $over = [...self::over($plan), ...self::batteries($plan)];

        return new DayPlan($asked, $plan->tasks, $plan->activities, $short, $over, $plan->every);
    }

    /** @return list<string> */
    private static function over(DayPlan $plan): array
    {
        $over = [];
        foreach ($plan->asked->crew as $member) {
            $own = $plan->ofMember($member->name);
            $last = $own === [] ? null : $own[\count($own) - 1];
            if ($last === null) {
                continue;
            }
            $back = $last->to + $plan->asked->places->between($last->place, $plan->asked->places->base);
            if ($back > $member->leaves()) {
                $over[] = \sprintf(
                    '%s is there until %s, and is done at %s: the last is %s, %s.',
                    $member->name,
                    $member->there->to->format('H:i'),
                    $last->task->moment($back)->format('H:i'),
                    $last->kind->value,
                    $last->task->unit->id,
                );
            }
        }

        return $over;
    }

    /** @return list<string> */
    private static function batteries(DayPlan $plan): array
    {
        $flat = [];
        foreach ($plan->tasks as $task) {
            $on = $plan->activity($task->wanted, ActivityKind::SwitchOn);
            $over = $plan->activity($task->wanted, ActivityKind::PostCheck);
            $battery = $task->unit->readiness->battery;
            if ($on !== null && $over !== null && $battery !== null && $over->to - $on->from > $battery) {
                $flat[] = \sprintf(
                    'The battery of %s lasts %d min, and it is on for %d min, until %s: charge it in between, or change it.',
                    $task->unit->id,
                    $battery,
                    $over->to - $on->from,
                    $task->moment($over->to)->format('H:i'),
                );
            }
        }

        return $flat;
    }
}
