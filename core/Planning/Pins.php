<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What of a measurement somebody has settled, so that the plan does not choose it: the unit, who attends it. */
final readonly class Pins
{
    public function __construct(public ?string $unit = null, public ?string $by = null)
    {
    }

    /** Whether somebody may attend to it. */
    public function lets(string $name): bool
    {
        return $this->by === null || $this->by === $name;
    }
}
