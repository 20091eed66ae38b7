<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** From a moment on something truly is so: a tone sounds, a gas flows, the room is warm. */
final readonly class Change
{
    /** @param float $at s after the stand-in was switched on */
    public function __construct(public float $at, public float $to)
    {
    }
}
