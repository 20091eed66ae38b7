<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** By which check one was replaced, and of which unit that is: another where it was moved. */
final readonly class Replaced
{
    public function __construct(public string $check, public string $instrument, public InPlaceOf $why)
    {
    }
}
