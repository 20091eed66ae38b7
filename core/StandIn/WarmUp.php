<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** What a sensor is off by while it settles: so much when it is switched on, a tenth of it after so many seconds, and so on. */
final readonly class WarmUp
{
    public function __construct(public Parameter $off, public Parameter $toATenth)
    {
    }

    public static function none(): self
    {
        return new self(Parameter::own(0), Parameter::own(1));
    }

    /** @param float $when s after it was switched on */
    public function at(float $when): float
    {
        return $this->off->value * 10 ** (-$when / $this->toATenth->value);
    }
}
