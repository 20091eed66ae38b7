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
        $over = [...self::over($plan), ...self::batteries($plan), ...self::outOfDate($plan)];

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

    /** @return list<string> checks that a reference is in date for while it is measured, and not any more when they are made */
    private static function outOfDate(DayPlan $plan): array
    {
        $over = [];
        foreach ($plan->activities as $one) {
            $until = $one->task->unit->ties->until($one->reference);
            if ($until !== null && $one->task->moment($one->to) > $until) {
                $over[] = \sprintf(
                    '%s is in date until %s, and the %s of %s on it is planned until %s: measure sooner, or on another.',
                    $one->reference,
                    $until->setTimezone($one->task->wanted->span->from->getTimezone())->format('j M H:i'),
                    $one->kind->value,
                    $one->task->unit->id,
                    $one->task->moment($one->to)->format('j M H:i'),
                );
            }
        }

        return $over;
    }
}
