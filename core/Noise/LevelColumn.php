<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\PlainColumn;

/** Columns of a log of sound. */
enum LevelColumn: string implements ColumnKind
{
    use PlainColumn;

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

    public function range(): array
    {
        return [-20_000, 200_000];
    }

    public function rangeInWords(): string
    {
        return 'a level between −20 and 200 dB';
    }

    public function hasExchangeRate(): bool
    {
        return $this === self::Average;
    }

    public function heading(): string
    {
        return match ($this) {
            self::Overload => '/over|ovl/i',
            self::Peak => '/pe?a?k/i',
            self::Maximum => '/max/i',
            self::Average => '/avg|average|mean/i',
            self::Equivalent => '/eq/i',
            self::Slow => '/^(?!.*eq).*(?:slow|\bL?AS\b)/i',
            self::Fast => '/^(?!.*eq).*(?:fast|\bL?AF\b)/i',
        };
    }

    public function isTheUsual(): bool
    {
        return $this === self::Equivalent;
    }
}
