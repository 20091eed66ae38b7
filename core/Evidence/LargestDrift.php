<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The most that a unit moved between two checks. */
final readonly class LargestDrift
{
    /**
     * @param string $check that found it
     * @param string $since the check whose state as left it is told from
     * @param float  $size  in the family's unit of drift, with its sign
     */
    public function __construct(public string $check, public string $since, public float $size)
    {
    }
}
