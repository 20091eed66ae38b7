<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** How long hands are wanted beside a check, in whole minutes, as a person wrote it down for the day. */
final readonly class Handling
{
    /**
     * @param int $switchOn switching a unit on and seeing that it starts
     * @param int $fit      fitting it to a person or setting it up, and starting it
     * @param int $takeOff  stopping it and taking it off
     * @param int $notSooner than so long before it is wanted anybody is there to be fitted
     */
    public function __construct(public int $switchOn = 1, public int $fit = 5, public int $takeOff = 5, public int $notSooner = 30)
    {
    }
}
