<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/** What a column of a log holds. It must be known, since a dose cannot be made from just any level. */
enum LogColumnKind: string
{
    case Equivalent = 'LAeq';
    case Slow = 'LAS';
    case Fast = 'LAF';
    case Average = 'Lavg';
    case Maximum = 'LASmax';
    case Peak = 'LCpeak';
    case Overload = 'overload';
    /** What one channel of a monitor read; the column names the channel. */
    case Reading = 'reading';
    case Alarm = 'alarm';
    /** How many particles of one size were counted in an interval. */
    case Counts = 'counts';
    /** Level of one octave band; the column names the band. */
    case Band = 'band';

    /** Kinds that levels and doses may be summed from, the best first. */
    public const SUMMED = [self::Equivalent, self::Slow, self::Fast, self::Average];

    /** Kinds that show how loud it was, the best first. */
    public const LEVELS = [...self::SUMMED, self::Maximum];

    /** What a log of noise may hold. */
    public const NOISE = [...self::LEVELS, self::Peak, self::Overload];

    /** What a log of a sound level meter may hold. */
    public const METER = [...self::NOISE, self::Band];

    /** What a log of a monitor may hold. */
    public const MONITOR = [self::Reading, self::Alarm];

    /** What a log of a particle counter or a dust monitor may hold. */
    public const PARTICLES = [self::Counts, self::Reading];

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
            self::Reading => 'reading of a channel',
            self::Alarm => 'mark of an alarm, 1 or 0',
            self::Counts => 'particles of one size',
            self::Band => 'level of an octave band',
        };
    }

    /**
     * What a value may be, in whole thousandths.
     *
     * @return array{int, int}
     */
    public function range(): array
    {
        return match ($this) {
            self::Reading => [-2_000_000_000, 2_000_000_000],
            self::Counts => [0, 2_000_000_000],
            default => [-20_000, 200_000],
        };
    }

    /** Whether a column of it says which channel it is of. */
    public function hasChannel(): bool
    {
        return \in_array($this, [self::Reading, self::Counts, self::Band], true);
    }

    public function rangeInWords(): string
    {
        return match ($this) {
            self::Reading => 'a reading between −2 000 000 and 2 000 000',
            self::Counts => 'a whole count between 0 and 2 000 000',
            default => 'a level between −20 and 200 dB',
        };
    }
}
