<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** One channel of a stand-in: its sensor, what is before it, and the unit that it shows. */
final readonly class StandInChannel
{
    public function __construct(public string $name, public string $in, public Sensor $sensor, public Course $course)
    {
    }
}
