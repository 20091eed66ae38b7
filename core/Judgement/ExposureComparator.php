<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** A permissible level is exceeded when the value is greater; an action level is reached when it is at least equal. */
enum ExposureComparator: string
{
    case Exceeded = '>';
    case Reached = '>=';

    public function holds(int $comparison): bool
    {
        return $this === self::Exceeded ? $comparison > 0 : $comparison >= 0;
    }

    public function words(bool $holds): string
    {
        return ($holds ? '' : 'not ').($this === self::Exceeded ? 'exceeded' : 'reached');
    }
}
