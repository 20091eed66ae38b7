<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * What comes after the measuring, as soon as it can be. Visits come first: a check stands between two of them only where none is later
 * for it. Whoever takes a unit off checks it.
 */
final readonly class Afterwards
{
    /** @param list<Task> $tasks */
    public static function plan(DayAsked $asked, Taken $taken, array $tasks): Taken
    {
        $left = $tasks;
        $off = [];
        $fits = self::before($taken, ActivityKind::Fit);
        $checks = self::before($taken, ActivityKind::PreCheck);
        while ($left !== []) {
            $next = self::next($asked, $taken, $left, $fits);
            $taken = $taken->and($next);
            $off[] = $next;
            $left = array_values(array_filter($left, static fn (Task $task): bool => !$next->isOf($task)));
        }
        usort($off, Activity::inOrder(...));
        foreach ($off as $one) {
            $taken = $taken->and(self::check($asked, $taken, $one, $checks['='.$one->task->wanted->id]));
        }

        return $taken;
    }

    /**
     * The visit that can be made first; ties by who fitted it, then by the order of what is wanted.
     *
     * @param non-empty-list<Task>    $left
     * @param array<string, Activity> $fits by = and the measurement
     */
    private static function next(DayAsked $asked, Taken $taken, array $left, array $fits): Activity
    {
        $minutes = $asked->handling->takeOff;
        $best = null;
        $least = null;
        foreach ($left as $number => $task) {
            $fit = $fits['='.$task->wanted->id];
            // Nothing is taken off before it was fitted, however late that is.
            $measured = max($task->ends, $fit->to);
            foreach ($asked->crew as $member) {
                if (!$task->wanted->pins->lets($member->name)) {
                    continue;
                }
                $place = $task->wanted->place;
                $arrives = $member->comes() + $asked->places->between($asked->places->base, $place);
                $from = $taken->firstFree($member->name, $place, null, $minutes, max($arrives, $measured));
                $way = $asked->places->between($taken->lastPlace($member->name, $from), $place);
                $rank = [$from, $fit->by === $member->name ? 0 : 1, $way, $number];
                if ($least === null || $rank < $least) {
                    $least = $rank;
                    $best = new Activity(ActivityKind::TakeOff, $task, $member->name, $place, $from, $from + $minutes);
                }
            }
        }

        return $best ?? throw new \LogicException('Somebody attends to every task.');
    }

    /** On the reference of the check before, so that the two can be held against each other. */
    private static function check(DayAsked $asked, Taken $taken, Activity $off, Activity $before): Activity
    {
        $task = $off->task;
        $minutes = $task->unit->readiness->check;
        $reference = $before->reference;
        $from = $taken->firstFree($off->by, $asked->places->base, $reference, $minutes, $off->to);

        return new Activity(ActivityKind::PostCheck, $task, $off->by, $asked->places->base, $from, $from + $minutes, $reference);
    }

    /** @return array<string, Activity> what was planned before of that kind, by = and the measurement */
    private static function before(Taken $taken, ActivityKind $kind): array
    {
        $before = [];
        foreach ($taken->activities as $one) {
            if ($one->kind === $kind) {
                $before['='.$one->task->wanted->id] = $one;
            }
        }

        return $before;
    }
}
