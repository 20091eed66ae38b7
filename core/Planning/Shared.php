<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * Who attends to what. Of a few tasks every way to share them out is looked at, each person's part planned by itself; where two would
 * use a reference at once, the second waits until the first is done with it, tried with either of them as the first. Of more tasks each
 * goes, in the order in which they begin, to whoever has least to do.
 */
final class Shared
{
    /** So many ways to share tasks out are looked at: four people, six tasks. */
    private const WAYS = 4096;

    /** @var array<string, OnePerson|null> what was planned already, by who does what; null: no better than a floor that only rises */
    private array $planned = [];

    /** @param list<Task> $tasks */
    private function __construct(private readonly DayAsked $asked, private readonly array $tasks)
    {
    }

    /** @param list<Task> $tasks */
    public static function of(DayAsked $asked, array $tasks): OnePerson
    {
        $shared = new self($asked, $tasks);

        if ($tasks === []) {
            return OnePerson::idle();
        }
        $isFew = \count($tasks) <= Backwards::EVERY_ORDER && \count($asked->crew) ** \count($tasks) <= self::WAYS;

        return $isFew ? $shared->everyWay() : $shared->byLoad();
    }

    private function everyWay(): OnePerson
    {
        $ways = $this->ways();
        // What is shared out evenly is mostly best: then little of the rest must be looked at.
        usort($ways, static fn (array $one, array $other): int => [self::mostOfOne($one), $one] <=> [self::mostOfOne($other), $other]);
        $best = null;
        $crew = array_keys($this->asked->crew);
        foreach ($ways as $way) {
            foreach (\count($crew) === 1 ? [$crew] : [$crew, array_reverse($crew)] as $order) {
                $day = $this->oneAfterTheOther($way, $order, $best?->rank);
                $best = $day !== null && ($best === null || $day->rank > $best->rank) ? $day : $best;
            }
        }

        return $best ?? throw new \LogicException('There is always somebody.');
    }

    /** @param list<int> $way */
    private static function mostOfOne(array $way): int
    {
        return max([0, ...array_values(array_count_values($way))]);
    }

    private function byLoad(): OnePerson
    {
        $order = array_keys($this->tasks);
        usort($order, fn (int $one, int $other): int => [$this->tasks[$one]->begins, $one] <=> [$this->tasks[$other]->begins, $other]);
        $load = array_fill(0, \count($this->asked->crew), 0);
        $way = [];
        foreach ($order as $place) {
            $task = $this->tasks[$place];
            $able = $this->able($task);
            usort($able, static fn (int $one, int $other): int => [$load[$one], $one] <=> [$load[$other], $other]);
            $way[$place] = $able[0];
            $load[$able[0]] += $this->asked->lead($task->wanted, $task->unit) - $task->unit->readiness->soak;
        }

        $day = OnePerson::idle();
        foreach (array_keys($this->asked->crew) as $number) {
            $own = array_keys($way, $number, true);
            sort($own);
            $part = $own === [] ? null : $this->plan($number, $own, $day->activities, null);
            $day = $part === null ? $day : $day->with($part);
        }

        return $day->ofThoseTried();
    }

    /**
     * @param array<int, int>           $way   who attends to each task
     * @param list<int>                 $order of the crew
     * @param array{int, int, int}|null $floor
     *
     * @return OnePerson|null null where it is no better than the floor
     */
    private function oneAfterTheOther(array $way, array $order, ?array $floor): ?OnePerson
    {
        $day = OnePerson::idle();
        foreach ($order as $number) {
            $part = $this->part($number, $way, $day->activities, $floor);
            $day = $part === null ? null : $day->with($part);
            if ($day === null || ($floor !== null && $day->rank <= $floor)) {
                return null;
            }
        }

        return $day;
    }

    /**
     * The part of one person: no day is better than any part of it, so that a part that is no better than the floor is not wanted.
     *
     * @param array<int, int>           $way
     * @param list<Activity>            $others what others do already
     * @param array{int, int, int}|null $floor
     */
    private function part(int $number, array $way, array $others, ?array $floor): ?OnePerson
    {
        $own = array_keys($way, $number, true);
        if ($own === []) {
            return OnePerson::idle();
        }
        sort($own);
        $key = $number.': '.implode(' ', $own);
        if (!\array_key_exists($key, $this->planned)) {
            $this->planned[$key] = $this->plan($number, $own, [], $floor);
        }
        $alone = $this->planned[$key];

        return $alone !== null && self::clash($alone->activities, $others) ? $this->plan($number, $own, $others, $floor) : $alone;
    }

    /**
     * @param list<int>                 $own
     * @param list<Activity>            $others
     * @param array{int, int, int}|null $floor
     */
    private function plan(int $number, array $own, array $others, ?array $floor): ?OnePerson
    {
        $tasks = array_map(fn (int $place): Task => $this->tasks[$place], $own);
        $taken = Taken::by($this->asked->places, $others);

        return Backwards::of($this->asked, $tasks, $this->asked->crew[$number], $taken, $floor);
    }

    /**
     * @param list<Activity> $some
     * @param list<Activity> $others
     */
    private static function clash(array $some, array $others): bool
    {
        foreach ($some as $one) {
            foreach ($others as $other) {
                $same = $one->reference !== null && $one->reference === $other->reference;
                if ($same && $one->from < $other->to && $other->from < $one->to) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<list<int>> every way to share the tasks out: who attends to each */
    private function ways(): array
    {
        $ways = [[]];
        foreach ($this->tasks as $task) {
            $more = [];
            foreach ($ways as $way) {
                foreach ($this->able($task) as $number) {
                    $more[] = [...$way, $number];
                }
            }
            $ways = $more;
        }

        return $ways;
    }

    /** @return list<int> of the crew */
    private function able(Task $task): array
    {
        $able = [];
        foreach ($this->asked->crew as $number => $member) {
            if ($task->wanted->pins->lets($member->name)) {
                $able[] = $number;
            }
        }

        return $able;
    }
}
