<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Adjustments of a unit added up with their signs, in the family's unit. */
final readonly class AdjustmentSum
{
    /**
     * @param float  $sum    of all of them
     * @param string $check  the last at which it was adjusted
     * @param float  $last   the adjustment there, which is in the sum
     * @param string $before the check of the adjustment before it; empty: there was none
     */
    public function __construct(
        public int $count = 0,
        public float $sum = 0.0,
        public string $check = '',
        public float $last = 0.0,
        public string $before = '',
    ) {
    }

    public function with(string $check, float $adjustment): self
    {
        return new self($this->count + 1, $this->sum + $adjustment, $check, $adjustment, $this->check);
    }
}
