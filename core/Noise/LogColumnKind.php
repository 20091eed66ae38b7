<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** What a column of a noise log holds. It must be known, since a dose cannot be made from just any of them. */
enum LogColumnKind: string
{
    case Equivalent = 'LAeq';
    case Slow = 'LAS';
    case Fast = 'LAF';
    case Average = 'Lavg';
    case Maximum = 'LASmax';
    case Peak = 'LCpeak';
    case Overload = 'overload';

    /** Kinds that levels and doses may be summed from, the best first. */
    public const SUMMED = [self::Equivalent, self::Slow, self::Fast, self::Average];

    /** Kinds that show how loud it was, the best first. */
    public const LEVELS = [...self::SUMMED, self::Maximum];

    public function words(): string
    {
        return match ($this) {
            self::Equivalent => 'A-weighted equivalent level of each interval',
            self::Slow => 'A-weighted slow level at each moment',
            self::Fast => 'A-weighted fast level at each moment',
            self::Average => 'average level with an exchange rate and threshold of its own',
            self::Maximum => 'highest slow level of each interval',
            self::Peak => 'C-weighted peak of each interval',
            self::Overload => 'mark of overload, 1 or 0',
        };
    }
}
