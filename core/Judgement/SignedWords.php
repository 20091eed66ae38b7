<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Quantity\Unit;

/** A difference as sentences tell it, with its sign. */
final class SignedWords
{
    public static function of(float $value, Unit $unit): string
    {
        $shown = \sprintf($unit->value === '%' ? '%+.1f' : '%+.2f', $value);

        return ((float) $shown === 0.0 ? substr($shown, 1) : str_replace('-', '−', $shown)).' '.$unit->value;
    }
}
