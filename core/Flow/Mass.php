<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** A mass as a laboratory wrote it, signed, or "less than" one. */
final readonly class Mass
{
    public function __construct(public Decimal $value, public Unit $unit, public bool $lessThan)
    {
    }

    /** The mass, or the upper end of what is known of it, µg. */
    public function micrograms(): Exact
    {
        return $this->unit->convert($this->value->value, Unit::Microgram);
    }

    /** The lower end, µg. */
    public function floor(): Exact
    {
        return $this->lessThan ? Exact::zero() : $this->micrograms();
    }

    public function words(): string
    {
        return ($this->lessThan ? '<' : '').$this->value->written.' '.$this->unit->value;
    }
}
