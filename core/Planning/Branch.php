<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What is settled along one branch of the search: of one person, from the last activity back to where it stands. */
final readonly class Branch
{
    /**
     * @param list<Activity> $done   the last first
     * @param list<Stand>    $stands of each task
     * @param int            $at     the minute by which all that comes before is over; the largest there is while nothing is planned
     * @param string         $place  where that person must be then
     * @param int            $tooEarly minutes by which people would be fitted before they are there
     * @param int            $first  the first minute at which a unit is switched on
     * @param int            $waits  minutes between being switched on and measuring, of all units that are planned whole
     */
    public function __construct(
        public array $done,
        public array $stands,
        public int $at,
        public string $place,
        public int $tooEarly = 0,
        public int $first = \PHP_INT_MAX,
        public int $waits = 0,
    ) {
    }

    /**
     * @param int $task     place of the task
     * @param int $tooEarly minutes by which it is before somebody is there
     */
    public function and(Activity $activity, int $task, int $tooEarly): self
    {
        $isCheck = $activity->kind === ActivityKind::PreCheck;
        $isOn = $activity->kind === ActivityKind::SwitchOn;
        $stands = $this->stands;
        $stands[$task] = new Stand($activity->kind, $isCheck ? $activity->from - $activity->task->unit->readiness->soak : null);

        return new self(
            [...$this->done, $activity],
            array_values($stands),
            $activity->from,
            $activity->place,
            $this->tooEarly + $tooEarly,
            $isOn ? min($this->first, $activity->from) : $this->first,
            $this->waits + ($isOn ? $activity->task->begins - $activity->from : 0),
        );
    }

    /** The last minute at which something at a place is over. */
    public function over(Places $places, string $place): int
    {
        return $this->at === \PHP_INT_MAX ? $this->at : $this->at - $places->between($place, $this->place);
    }

    public function isWhole(): bool
    {
        foreach ($this->stands as $stand) {
            if ($stand->next() !== null) {
                return false;
            }
        }

        return true;
    }

    /** Which steps are planned, and where that person is then. */
    public function key(): string
    {
        $words = array_map(static fn (Stand $stand): string => $stand->done->value ?? '', $this->stands);

        return implode('|', $words).'|'.$this->place;
    }

    /**
     * How good it is, number by number: of two with the same key the one that is better in none is not followed.
     *
     * @return list<int> the higher the better
     */
    public function worth(): array
    {
        $worth = [$this->at, -$this->tooEarly, $this->first, -$this->waits];
        foreach ($this->stands as $stand) {
            if ($stand->soaks !== null) {
                $worth[] = min($stand->soaks, $this->at);
            }
        }

        return $worth;
    }
}
