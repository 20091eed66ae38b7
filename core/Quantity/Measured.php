<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/**
 * A value as it was written down, with the unit it was written in. Its digits and its unit are kept; conversions are
 * exact.
 */
final readonly class Measured
{
    public function __construct(public Decimal $value, public Unit $unit)
    {
    }

    /** @throws UnitsDoNotMatch where the two units measure different things */
    public function in(Unit $unit): Exact
    {
        return $this->unit->convert($this->value->value, $unit);
    }

    public function words(): string
    {
        return trim($this->value->written.' '.$this->unit->value);
    }
}
