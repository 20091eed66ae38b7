<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What is nearest to what of a day cannot be done as it was wanted: each is looked for by itself, as if it were the only one. */
final class Nearest
{
    /** So many other days are looked at. */
    private const TRIES = 8;

    private int $tried = 0;

    public function __construct(private readonly DayAsked $asked, private readonly DayPlan $plan)
    {
    }

    /** @return list<Shortfall> in the order of what is wanted */
    public function all(): array
    {
        $short = [];
        foreach ($this->asked->wanted as $wanted) {
            $late = $this->plan->lateness($wanted);
            if ($this->plan->activity($wanted, ActivityKind::Fit) === null) {
                $short[] = $this->nearest($wanted);
            } elseif ($late > 0) {
                $short[] = $this->later($wanted, $late);
            }
        }

        return $short;
    }

    private function later(Wanted $wanted, int $late): Shortfall
    {
        $fit = $this->plan->activity($wanted, ActivityKind::Fit) ?? throw new \LogicException('What is late is done.');
        $begins = $fit->task->moment($fit->to);
        $why = \sprintf('Nobody who is there can have it fitted by %s.', $wanted->span->from->format('H:i'));
        $nearest = \sprintf('It begins at %s, %d min later.', $begins->format('H:i'), $late);

        return new Shortfall($wanted, [$why], $nearest, NearestKind::Later);
    }

    /** The smallest later start; else, where a unit was settled, another one; else the day without it. */
    private function nearest(Wanted $wanted): Shortfall
    {
        $why = $this->why($wanted);
        foreach ($this->starts($wanted) as $minute => $unit) {
            $later = $wanted->from((new Task($wanted, $unit))->moment($minute));
            $task = $this->instead($later);
            if ($task !== null) {
                $words = \sprintf('Begun at %s, %s can measure it.', $task['begins']->format('H:i'), $task['unit']);

                return new Shortfall($wanted, $why, $words, NearestKind::Later, $later);
            }
        }
        $task = $wanted->pins->unit === null ? null : $this->instead($wanted->byAnyUnit());
        if ($task !== null) {
            $words = \sprintf('%s can measure it.', $task['unit']);

            return new Shortfall($wanted, $why, $words, NearestKind::OtherUnit, $wanted->byAnyUnit());
        }
        $left = $this->tried < self::TRIES
            ? 'The day is planned without it.'
            : 'The day is planned without it. Too much is wanted at once to look for all that could be done instead.';

        return new Shortfall($wanted, $why, $left, NearestKind::LeftOut);
    }

    /**
     * The unit and the beginning of a measurement on a day with it in the place of what cannot be done; null where nothing is won, or
     * another begins later for it.
     *
     * @return array{unit: string, begins: \DateTimeImmutable}|null
     */
    private function instead(Wanted $other): ?array
    {
        if (++$this->tried > self::TRIES) {
            return null;
        }
        $wanted = array_map(static fn (Wanted $one): Wanted => $one->id === $other->id ? $other : $one, $this->asked->wanted);
        $day = Arranged::day($this->asked->of($wanted));
        $fit = $day->activity($other, ActivityKind::Fit);
        foreach ($this->plan->tasks as $task) {
            $isDone = $day->activity($task->wanted, ActivityKind::Fit) !== null;
            if (!$isDone || $day->lateness($task->wanted) > $this->plan->lateness($task->wanted)) {
                return null;
            }
        }

        return $fit === null
            ? null
            : ['unit' => $fit->task->unit->id, 'begins' => $fit->task->moment(max($fit->to, $fit->task->begins))];
    }

    /** @return array<int, UnitForDay> minutes at which a unit that is in use could begin with it, the first first */
    private function starts(Wanted $wanted): array
    {
        $starts = [];
        foreach ((new ChosenUnits($this->asked))->able($wanted) as $unit) {
            foreach ($this->plan->tasks as $task) {
                $after = $task->unit->id === $unit->id ? $this->plan->activity($task->wanted, ActivityKind::PostCheck) : null;
                $begins = $after === null ? 0 : $after->to + $this->asked->lead($wanted, $unit);
                if ($begins > $task->begins && $begins < (new Task($wanted, $unit))->ends) {
                    $starts[$begins] ??= $unit;
                }
            }
        }
        ksort($starts);

        return $starts;
    }

    /** @return list<string> */
    private function why(Wanted $wanted): array
    {
        $why = [];
        foreach ($this->asked->units as $unit) {
            if ($unit->family !== $wanted->family || ($wanted->pins->unit !== null && $wanted->pins->unit !== $unit->id)) {
                continue;
            }
            $against = $unit->whyNot($wanted);
            $busy = array_filter($this->plan->tasks, static fn (Task $task): bool => $task->unit->id === $unit->id);
            $words = array_map(static fn (Task $task): string => \sprintf('It measures %s.', $task->wanted->words), array_values($busy));
            if ($against === [] && $busy === []) {
                $words = ['Nobody who is there can have it fitted before it was to be over.'];
            }
            $why[] = \sprintf('%s: %s', $unit->id, implode(' ', $against === [] ? $words : $against));
        }

        return $why === [] ? ['There is no unit of that kind.'] : $why;
    }
}
