<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

/** How the clock of a device stood that brings what was done without a network. */
final readonly class BroughtBy
{
    /**
     * @param int    $ahead s
     * @param string $why   its moments stand although it was off; empty where it was right
     */
    public function __construct(public int $ahead, public string $why)
    {
    }
}
