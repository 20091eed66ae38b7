<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** Two units that measure different things cannot be converted. */
final class UnitsDoNotMatch extends \InvalidArgumentException
{
    public static function between(Unit $from, Unit $to): self
    {
        return new self(\sprintf('"%s" cannot be expressed in "%s".', $from->value, $to->value));
    }
}
