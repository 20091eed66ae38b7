<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** What units share: most are measured in nothing but themselves, and any two of one base convert alike. */
trait Converting
{
    public function base(): Unit
    {
        return $this;
    }

    public function size(): Exact
    {
        return Exact::of(1);
    }

    public function zero(): Exact
    {
        return Exact::zero();
    }

    public function isLevel(): bool
    {
        return false;
    }

    /** @throws UnitsDoNotMatch */
    public function convert(Exact $value, Unit $to): Exact
    {
        if ($this === $to) {
            return $value;
        }
        if ($this->isLevel() || $this->base() !== $to->base()) {
            throw UnitsDoNotMatch::between($this, $to);
        }

        return $value->plus($this->zero())->times($this->size())->dividedBy($to->size())->minus($to->zero());
    }
}
