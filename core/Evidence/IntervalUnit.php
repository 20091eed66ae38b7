<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What intervals are told in. Hours pass; days, months and years go by the calendar of the site. */
enum IntervalUnit: string
{
    case Hours = 'hours';
    case Days = 'days';
    case Months = 'months';
    case Years = 'years';

    /** As it stands behind a number. */
    public function behind(string $number): string
    {
        return $number === '1' ? rtrim($this->value, 's') : $this->value;
    }

    /** The longest interval in it: a hundred years. */
    public function most(): int
    {
        return match ($this) {
            self::Hours => 876_600,
            self::Days => 36_525,
            self::Months => 1200,
            self::Years => 100,
        };
    }
}
