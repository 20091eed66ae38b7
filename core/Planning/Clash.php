<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/**
 * What another plan wants at the same time as one that is made: a unit from being switched on to the end of its check, a person and a
 * reference from one moment to the next. Told, and not decided: which of them is carried out nobody here knows.
 *
 * @phpstan-type Held array<string, array{name: string, times: non-empty-list<array{int, int}>}>
 */
final readonly class Clash
{
    /** @var Held what the other plan holds */
    private array $theirs;

    /** @param string $plan number of the other plan */
    public function __construct(public string $plan, DayPlan $other)
    {
        $this->theirs = self::held($other);
    }

    /** @return list<string> a sentence for each unit, person and reference that is wanted twice at the same time */
    public function with(DayPlan $own): array
    {
        $told = [];
        foreach (self::held($own) as $key => ['name' => $name, 'times' => $times]) {
            $clash = self::first($times, $this->theirs[$key]['times'] ?? []);
            if ($clash !== null) {
                $at = static fn (int $minute): string => $own->activities[0]->task->moment($minute)->format('H:i');
                $told[] = \sprintf(
                    '%s is wanted by %s at the same time: there from %s to %s, here from %s to %s.',
                    $name,
                    $this->plan,
                    $at($clash[1][0]),
                    $at($clash[1][1]),
                    $at($clash[0][0]),
                    $at($clash[0][1]),
                );
            }
        }

        return $told;
    }

    /** Whether the other plan holds a unit while something is measured, or while it is made ready for that. */
    public function holds(UnitForDay $unit, Wanted $wanted): bool
    {
        $task = new Task($wanted, $unit);
        $times = [[$task->begins - $unit->readiness->whole(), $task->ends + $unit->readiness->check]];

        return self::first($times, $this->theirs['unit '.$unit->id]['times'] ?? []) !== null;
    }

    /** @return Held */
    private static function held(DayPlan $plan): array
    {
        $held = [];
        foreach ($plan->tasks as $task) {
            $own = array_filter($plan->activities, static fn (Activity $one): bool => $one->isOf($task));
            if ($own !== []) {
                $from = min(array_map(static fn (Activity $one): int => $one->from, $own));
                $to = max(array_map(static fn (Activity $one): int => $one->to, $own));
                $key = 'unit '.$task->unit->id;
                $held[$key] = ['name' => $task->unit->id, 'times' => [...$held[$key]['times'] ?? [], [$from, $to]]];
            }
        }
        foreach ($plan->activities as $one) {
            foreach (['person' => $one->by, 'reference' => $one->reference] as $what => $name) {
                if ($name !== null) {
                    $key = $what.' '.$name;
                    $held[$key] = ['name' => $name, 'times' => [...$held[$key]['times'] ?? [], [$one->from, $one->to]]];
                }
            }
        }

        return $held;
    }

    /**
     * @param list<array{int, int}> $times
     * @param list<array{int, int}> $others
     *
     * @return array{array{int, int}, array{int, int}}|null the first of each that lie at the same time
     */
    private static function first(array $times, array $others): ?array
    {
        foreach ($times as $time) {
            foreach ($others as $other) {
                if ($time[0] < $other[1] && $other[0] < $time[1]) {
                    return [$time, $other];
                }
            }
        }

        return null;
    }
}
