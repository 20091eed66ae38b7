<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What is settled of a day so far: who is where, and which reference is in use, from when to when. */
final readonly class Taken
{
    /**
     * @param list<Activity>                $activities
     * @param array<string, list<Activity>> $byPerson   the same by = and who
     * @param array<string, list<Activity>> $byReference the same by = and the reference
     */
    private function __construct(
        private Places $places,
        public array $activities,
        private array $byPerson,
        private array $byReference,
    ) {
    }

    /** @param list<Activity> $activities */
    public static function by(Places $places, array $activities = []): self
    {
        return (new self($places, [], [], []))->and(...$activities);
    }

    public function and(Activity ...$more): self
    {
        $byPerson = $this->byPerson;
        $byReference = $this->byReference;
        foreach ($more as $one) {
            $byPerson['='.$one->by][] = $one;
            if ($one->reference !== null) {
                $byReference['='.$one->reference][] = $one;
            }
        }

        return new self($this->places, array_values([...$this->activities, ...$more]), $byPerson, $byReference);
    }

    /** The latest minute at which something that takes so long can begin and be over by a minute, while a reference is free. */
    public function latestFree(string $reference, int $minutes, int $over): int
    {
        $from = $over - $minutes;
        do {
            $tried = $from;
            foreach ($this->byReference['='.$reference] ?? [] as $use) {
                if ($use->from < $from + $minutes && $from < $use->to) {
                    $from = $use->from - $minutes;
                }
            }
        } while ($from !== $tried);

        return $from;
    }

    /**
     * The first minute, not before another, at which a person can do something at a place: between what that person does already,
     * with the ways there and away, while the reference is free.
     */
    public function firstFree(string $by, string $place, ?string $reference, int $minutes, int $notBefore): int
    {
        $from = $notBefore;
        do {
            $tried = $from;
            foreach ($this->byPerson['='.$by] ?? [] as $one) {
                $way = $this->places->between($one->place, $place);
                if ($from + $minutes + $way > $one->from && $from < $one->to + $way) {
                    $from = $one->to + $way;
                }
            }
            foreach ($reference === null ? [] : $this->byReference['='.$reference] ?? [] as $use) {
                if ($from + $minutes > $use->from && $from < $use->to) {
                    $from = $use->to;
                }
            }
        } while ($from !== $tried);

        return $from;
    }

    /** Where a person was last before a minute; the base where nowhere yet. */
    public function lastPlace(string $by, int $before): string
    {
        $last = null;
        foreach ($this->byPerson['='.$by] ?? [] as $one) {
            if ($one->to <= $before && ($last === null || $one->to > $last->to)) {
                $last = $one;
            }
        }

        return $last->place ?? $this->places->base;
    }
}
