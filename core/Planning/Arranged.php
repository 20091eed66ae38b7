<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What can be done of a day, and when: what cannot is left out. */
final readonly class Arranged
{
    /** @return DayPlan without what is said of what cannot be done */
    public static function day(DayAsked $asked): DayPlan
    {
        $apart = [];
        do {
            $tasks = (new ChosenUnits($asked, $apart))->tasks();
            $before = Shared::of($asked, $tasks);
            $taken = Taken::by($asked->places, Moved::activities($asked, $before->activities));
            $all = Afterwards::plan($asked, $taken, $tasks)->activities;
            usort($all, Activity::inOrder(...));
            $plan = new DayPlan($asked, $tasks, $all, [], [], $before->every);
            $tooLate = self::tooLate($plan);
            if ($tooLate !== []) {
                return self::day($asked->of(array_values(array_filter(
                    $asked->wanted,
                    static fn (Wanted $one): bool => !\in_array($one->id, $tooLate, true),
                ))));
            }
            $both = self::twice($plan);
            $apart = $both === null ? $apart : [...$apart, $both];
        } while ($both !== null);

        return $plan;
    }

    /** @return list<string> what would begin when it was to be over: of a few what matters least, as the rest may be done without it */
    private static function tooLate(DayPlan $plan): array
    {
        $late = [];
        foreach (array_reverse($plan->tasks) as $task) {
            $fit = $plan->activity($task->wanted, ActivityKind::Fit);
            if ($fit !== null && $fit->to >= $task->ends) {
                $late[] = $task->wanted->id;
            }
        }

        return \count($plan->tasks) > Backwards::EVERY_ORDER ? $late : \array_slice($late, 0, 1);
    }

    /** @return list<string>|null a unit and two measurements that it would do at once */
    private static function twice(DayPlan $plan): ?array
    {
        foreach ($plan->tasks as $place => $one) {
            foreach (\array_slice($plan->tasks, $place + 1) as $other) {
                if ($one->unit->id === $other->unit->id && self::isOnDuring($plan, $one, $other)) {
                    $pair = [$one->wanted->id, $other->wanted->id];
                    sort($pair);

                    return [$one->unit->id, ...$pair];
                }
            }
        }

        return null;
    }

    private static function isOnDuring(DayPlan $plan, Task $one, Task $other): bool
    {
        $on = static fn (Task $task): int => $plan->activity($task->wanted, ActivityKind::SwitchOn)->from ?? 0;
        $over = static fn (Task $task): int => $plan->activity($task->wanted, ActivityKind::PostCheck)->to ?? 0;

        return $on($one) < $over($other) && $on($other) < $over($one);
    }
}
