<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/**
 * The units that any family may read.
 *
 * Factors are exact: the international inch and foot, and the conventional millimetre of mercury and of water
 * (published: NIST SP 811, Appendix B).
 */
enum CommonUnit: string implements Unit
{
    use Converting;

    case None = '';
    case Percent = '%';
    case Hertz = 'Hz';
    case Second = 's';
    case Minute = 'min';
    case Hour = 'h';
    case LitrePerMinute = 'L/min';
    case MillilitrePerMinute = 'mL/min';
    case CubicMetrePerMinute = 'm³/min';
    case CubicFootPerMinute = 'ft³/min';
    case Millilitre = 'mL';
    case Litre = 'L';
    case CubicMetre = 'm³';
    case Celsius = '°C';
    case Fahrenheit = '°F';
    case Kelvin = 'K';
    case Pascal = 'Pa';
    case Hectopascal = 'hPa';
    case Kilopascal = 'kPa';
    case MillimetreMercury = 'mmHg';
    case InchMercury = 'inHg';
    case MillimetreWater = 'mmH₂O';
    case InchWater = 'inH₂O';
    case Bar = 'bar';
    case PoundPerSquareInch = 'psi';
    case Microgram = 'µg';
    case Milligram = 'mg';
    case MilligramPerCubicMetre = 'mg/m³';
    case MicrogramPerCubicMetre = 'µg/m³';
    case PartsPerMillion = 'ppm';
    case PartsPerBillion = 'ppb';
    case PercentVolume = '% vol';
    case GramPerMole = 'g/mol';
    case LitrePerMole = 'L/mol';
    case JoulePerMoleKelvin = 'J/(mol·K)';
    case Electronvolt = 'eV';
    case Micrometre = 'µm';

    public function base(): self
    {
        return match ($this) {
            self::Minute, self::Hour => self::Second,
            self::MillilitrePerMinute, self::CubicMetrePerMinute, self::CubicFootPerMinute => self::LitrePerMinute,
            self::Millilitre, self::CubicMetre => self::Litre,
            self::Celsius, self::Fahrenheit => self::Kelvin,
            self::Pascal,
            self::Hectopascal,
            self::MillimetreMercury,
            self::InchMercury,
            self::MillimetreWater,
            self::InchWater,
            self::Bar,
            self::PoundPerSquareInch => self::Kilopascal,
            self::Microgram => self::Milligram,
            self::MicrogramPerCubicMetre => self::MilligramPerCubicMetre,
            self::PartsPerBillion, self::PercentVolume => self::PartsPerMillion,
            default => $this,
        };
    }

    public function size(): Exact
    {
        return match ($this) {
            self::Minute => Exact::of(60),
            self::Hour => Exact::of(3600),
            self::MillilitrePerMinute,
            self::Millilitre,
            self::Microgram,
            self::MicrogramPerCubicMetre,
            self::Pascal,
            self::PartsPerBillion => Exact::of('0.001'),
            self::PercentVolume => Exact::of(10000),
            self::Bar => Exact::of(100),
            self::PoundPerSquareInch => Exact::of('6.894757293168'),
            self::CubicMetrePerMinute, self::CubicMetre => Exact::of(1000),
            self::CubicFootPerMinute => Exact::of('28.316846592'),
            self::Fahrenheit => Exact::of(5)->dividedBy(9),
            self::Hectopascal => Exact::of('0.1'),
            self::MillimetreMercury => Exact::of('0.133322387415'),
            self::InchMercury => Exact::of('0.133322387415')->times(Exact::of('25.4')),
            self::MillimetreWater => Exact::of('0.00980665'),
            self::InchWater => Exact::of('0.00980665')->times(Exact::of('25.4')),
            default => Exact::of(1),
        };
    }

    public function zero(): Exact
    {
        return match ($this) {
            self::Celsius => Exact::of('273.15'),
            self::Fahrenheit => Exact::of('459.67'),
            default => Exact::zero(),
        };
    }
}
