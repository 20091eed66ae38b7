<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/** What a unit measures. */
enum Dimension
{
    case Number;
    case Level;
    case Share;
    case Frequency;
    case Time;
    case Flow;
    case Volume;
    case Temperature;
    case Pressure;
    case Mass;
    case Concentration;
    case Fraction;
    case MolarMass;
    case MolarVolume;
    case Energy;
    case Flammability;
    case Length;
    case NumberConcentration;
    case Rate;
    case Density;
}
