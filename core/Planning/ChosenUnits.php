<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * Which unit measures what: of those that are free the one that is ready soonest, of these one of which least is
 * noted, ties by its name. Where none is free, one that measures
 * something else is taken if that can have another, so that nothing goes without a unit that could have had one (the way of Kuhn, 1955,
 * from the most important to the least).
 */
final class ChosenUnits
{
    /** @var array<string, true> units that were asked for on behalf of the measurement that one is looked for */
    private array $seen = [];

    /** @param list<list<string>> $apart unit and two measurements that it cannot both do, found while planning */
    public function __construct(private readonly DayAsked $asked, private readonly array $apart = [])
    {
    }

    /** @return list<Task> in the order of what is wanted; without what no unit is left for */
    public function tasks(): array
    {
        $chosen = [];
        foreach ($this->asked->wanted as $wanted) {
            $this->seen = [];
            $chosen = $this->settle($wanted, $chosen) ?? $chosen;
        }
        $tasks = [];
        foreach ($this->asked->wanted as $wanted) {
            if (isset($chosen['='.$wanted->id])) {
                $tasks[] = $chosen['='.$wanted->id];
            }
        }

        return $tasks;
    }

    /** @return list<UnitForDay> that can measure it: what no other plan has first, of these the one that is ready soonest */
    public function able(Wanted $wanted): array
    {
        $pinned = $wanted->pins->unit;
        $able = array_filter(
            $this->asked->units,
            static fn (UnitForDay $unit): bool => $unit->family === $wanted->family
                && ($pinned === null || $unit->id === $pinned)
                && $unit->whyNot($wanted) === [],
        );
        usort($able, static fn (UnitForDay $one, UnitForDay $other): int => self::rank($one) <=> self::rank($other));

        return $able;
    }

    /** @return array{int, int, int, string} */
    private static function rank(UnitForDay $unit): array
    {
        return [\count($unit->ties->plans), $unit->readiness->whole(), \count($unit->notes), $unit->id];
    }

    /**
     * @param array<string, Task> $chosen by = and the measurement
     *
     * @return array<string, Task>|null null where nothing can be settled so
     */
    private function settle(Wanted $wanted, array $chosen): ?array
    {
        $able = $this->able($wanted);
        foreach ($able as $unit) {
            $task = new Task($wanted, $unit);
            if ($this->inTheWay($task, $chosen) === []) {
                return [...$chosen, '='.$wanted->id => $task];
            }
        }
        foreach ($able as $unit) {
            if (isset($this->seen['='.$unit->id])) {
                continue;
            }
            $this->seen['='.$unit->id] = true;
            $task = new Task($wanted, $unit);
            $inTheWay = $this->inTheWay($task, $chosen);
            $moved = [...array_diff_key($chosen, $inTheWay), '='.$wanted->id => $task];
            foreach ($inTheWay as $other) {
                $moved = $moved === null ? null : $this->settle($other->wanted, $moved);
            }
            if ($moved !== null) {
                return $moved;
            }
        }

        return null;
    }

    /**
     * @param array<string, Task> $chosen
     *
     * @return array<string, Task> what the unit is to do already, so that it cannot do this too
     */
    private function inTheWay(Task $task, array $chosen): array
    {
        return array_filter($chosen, fn (Task $other): bool => !$this->goesWith($task, $other));
    }

    /** Whether both can be done, as far as is seen before anything is planned. */
    private function goesWith(Task $one, Task $other): bool
    {
        if ($one->unit->id !== $other->unit->id) {
            return true;
        }
        $pair = [$one->wanted->id, $other->wanted->id];
        sort($pair);
        if (\in_array([$one->unit->id, ...$pair], $this->apart, true)) {
            return false;
        }
        $first = $one->begins <= $other->begins ? $one : $other;
        $later = $first === $one ? $other : $one;
        $free = $first->ends + $this->asked->tail($first->wanted, $first->unit);

        return $free <= $later->begins - $this->asked->lead($later->wanted, $later->unit);
    }
}
