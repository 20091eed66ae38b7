<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** How an instrument limit is compared; at the limit "not more than" and "not less than" pass, the others do not. */
enum Comparator: string
{
    case NotMoreThan = 'not more than';
    case LessThan = 'less than';
    case NotLessThan = 'not less than';
    case MoreThan = 'more than';

    public function holds(int $comparison): bool
    {
        return match ($this) {
            self::NotMoreThan => $comparison <= 0,
            self::LessThan => $comparison < 0,
            self::NotLessThan => $comparison >= 0,
            self::MoreThan => $comparison > 0,
        };
    }
}
