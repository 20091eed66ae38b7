<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** How an instrument makes its display of what its sensor says: y = a·x + b, until somebody adjusts it; then otherwise, at once. */
final readonly class Scale
{
    public function __construct(private Course $factor, private Course $offset)
    {
    }

    public static function true(): self
    {
        return new self(new Course(1), new Course(0));
    }

    public static function off(float $by): self
    {
        return new self(new Course(1), new Course($by));
    }

    public static function gives(float $share): self
    {
        return new self(new Course($share), new Course(0));
    }

    /** The same set right at a moment, s; where nobody adjusted it, as it is. */
    public function adjusted(?float $at): self
    {
        return $at === null ? $this : new self($this->factor->then($at, 1), $this->offset->then($at, 0));
    }

    /** @param float $when s after it was switched on */
    public function of(float $value, float $when): float
    {
        return $this->factor->at($when) * $value + $this->offset->at($when);
    }
}
