<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** All that a plan of a day is made of. */
final readonly class DayAsked
{
    /**
     * @param list<Wanted>           $wanted what matters most first: where not all can be done, the last is left out
     * @param list<UnitForDay>       $units  in the order in which they are taken where nothing else decides
     * @param non-empty-list<Member> $crew
     */
    public function __construct(
        public array $wanted,
        public array $units,
        public array $crew,
        public Places $places,
        public Handling $handling = new Handling(),
    ) {
    }

    public function unit(string $id): ?UnitForDay
    {
        foreach ($this->units as $unit) {
            if ($unit->id === $id) {
                return $unit;
            }
        }

        return null;
    }

    /** The least time from switching a unit on to the beginning of what it measures, min. */
    public function lead(Wanted $wanted, UnitForDay $unit): int
    {
        return $this->handling->switchOn + $unit->readiness->whole() + $this->wayTo($wanted) + $this->handling->fit;
    }

    /** The least time from the end of what is measured to the end of the check after it, min. */
    public function tail(Wanted $wanted, UnitForDay $unit): int
    {
        return $this->handling->takeOff + $this->wayTo($wanted) + $unit->readiness->check;
    }

    private function wayTo(Wanted $wanted): int
    {
        return $this->places->between($this->places->base, $wanted->place);
    }

    /**
     * The same with other measurements.
     *
     * @param list<Wanted> $wanted
     */
    public function of(array $wanted): self
    {
        return new self($wanted, $this->units, $this->crew, $this->places, $this->handling);
    }
}
