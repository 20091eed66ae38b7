<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** How many decimals are shown. */
final class Digits
{
    /** Decimals with which a value shows so many significant digits. */
    public static function significant(Exact|float $value, int $digits): int
    {
        $size = abs(Real::toFloat($value));

        return $size > 0.0 && is_finite($size) ? max(0, min(6, $digits - 1 - (int) floor(log10($size)))) : 2;
    }

    /** With so many decimals at the most, and no zeros after the last that says something. */
    public static function trimmed(Exact|float $value, int $most): string
    {
        $written = $value instanceof Exact ? $value->rounded($most) : number_format($value, $most, '.', '');

        return str_contains($written, '.') ? rtrim(rtrim($written, '0'), '.') : $written;
    }
}
