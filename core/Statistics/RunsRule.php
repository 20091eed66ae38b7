<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/** What is out of the ordinary on a control chart (published: NIST/SEMATECH e-Handbook 6.3.2, the Western Electric rules). */
enum RunsRule: string
{
    case Beyond = 'beyond';
    case OneSide = 'one side';
    case TwoOfThree = 'two of three';
    case FourOfFive = 'four of five';

    /** How many points in a row are looked at. */
    public function among(): int
    {
        return match ($this) {
            self::Beyond => 1,
            self::TwoOfThree => 3,
            self::FourOfFive => 5,
            self::OneSide => 8,
        };
    }

    /** How many of them lie on one side of the centre, the last among them. */
    public function wanted(): int
    {
        return match ($this) {
            self::Beyond => 1,
            self::TwoOfThree => 2,
            self::FourOfFive => 4,
            self::OneSide => 8,
        };
    }

    /** By more than so many s. */
    public function sigmas(): float
    {
        return match ($this) {
            self::Beyond => 3.0,
            self::TwoOfThree => 2.0,
            self::FourOfFive => 1.0,
            self::OneSide => 0.0,
        };
    }
}
