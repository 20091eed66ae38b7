<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** One channel of a stand-in: its sensor, what is before it, and the unit that it shows. */
final readonly class StandInChannel
{
    /**
     * @param float $every s from one line to the next
     */
    public function __construct(
        public string $name,
        public string $in,
        private Sensor $sensor,
        private Course $course,
        private Scale $scale,
        public float $every = 1.0,
    ) {
    }

    public static function of(string $name, string $in, Sensor $sensor, Course $course): self
    {
        return new self($name, $in, $sensor, $course, Scale::true());
    }

    /** @param float $temperature of the air, °C */
    public function shows(float $when, float $temperature, Chance $chance): string
    {
        return $this->sensor->shows($when, $this->course, $temperature, $chance, $this->name, $this->scale);
    }
}
