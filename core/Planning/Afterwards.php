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
        $fits = [];
        foreach ($taken->activities as $one) {
            if ($one->kind === ActivityKind::Fit) {
                $fits['='.$one->task->wanted->id] = $one;
            }
        }
        while ($left !== []) {
            $next = self::next($asked, $taken, $left, $fits);
            $taken = $taken->and($next);
            $off[] = $next;
            $left = array_values(array_filter($left, static fn (Task $task): bool => !$next->isOf($task)));
        }
        usort($off, Activity::inOrder(...));
        foreach ($off as $one) {
            $taken = $taken->and(self::check($asked, $taken, $one));
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
                $alone = $task->wanted->pins->by;
                if ($alone !== null && $alone !== $member->name) {
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
    private static function check(DayAsked $asked, Taken $taken, Activity $off): Activity
    {
        $task = $off->task;
        $before = self::checkBefore($taken, $task);
        $minutes = $task->unit->readiness->check;
        $reference = $before->reference;
        $from = $taken->firstFree($off->by, $asked->places->base, $reference, $minutes, $off->to);

        return new Activity(ActivityKind::PostCheck, $task, $off->by, $asked->places->base, $from, $from + $minutes, $reference);
    }

    private static function checkBefore(Taken $taken, Task $task): Activity
    {
        foreach ($taken->activities as $one) {
            if ($one->kind === ActivityKind::PreCheck && $one->isOf($task)) {
                return $one;
            }
        }

        throw new \LogicException('What comes before is planned first.');
    }
}
