<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** A permissible level is exceeded when the value is greater; an action level is reached when it is at least equal. */
enum ExposureComparator: string
{
    case Exceeded = '>';
    case Reached = '>=';
    /** Of what must not be too little, such as oxygen. */
    case FallenBelow = '<';

    public function sign(): string
    {
        return $this === self::Reached ? '≥' : $this->value;
    }

    public function holds(int $comparison): bool
    {
        return match ($this) {
            self::Exceeded => $comparison > 0,
            self::Reached => $comparison >= 0,
            self::FallenBelow => $comparison < 0,
        };
    }

    public function words(bool $holds): string
    {
        return ($holds ? '' : 'not ').match ($this) {
            self::Exceeded => 'exceeded',
            self::Reached => 'reached',
            self::FallenBelow => 'fallen below',
        };
    }
}
