<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/**
 * The units of figures and readings, by the symbol that is printed.
 *
 * Factors are exact: the international inch and foot, and the conventional millimetre of mercury and of water
 * (published: NIST SP 811, Appendix B).
 */
enum Unit: string
{
    case None = '';
    case Decibel = 'dB';
    case DecibelA = 'dB(A)';
    case DecibelC = 'dB(C)';
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
    case Microgram = 'µg';
    case Milligram = 'mg';
    case MilligramPerCubicMetre = 'mg/m³';
    case MicrogramPerCubicMetre = 'µg/m³';
    case PartsPerMillion = 'ppm';
    case GramPerMole = 'g/mol';
    case LitrePerMole = 'L/mol';
    case PartsPerBillion = 'ppb';
    case PercentVolume = '% vol';
    case PercentExplosive = '% LEL';
    case Electronvolt = 'eV';
    case Bar = 'bar';
    case PoundPerSquareInch = 'psi';
    case Micrometre = 'µm';
    case PerCubicCentimetre = '/cm³';
    case PerMinute = '/min';
    case GramPerCubicCentimetre = 'g/cm³';

    public function dimension(): Dimension
    {
        return match ($this) {
            self::None => Dimension::Number,
            self::Decibel, self::DecibelA, self::DecibelC => Dimension::Level,
            self::Percent => Dimension::Share,
            self::Hertz => Dimension::Frequency,
            self::Second, self::Minute, self::Hour => Dimension::Time,
            self::LitrePerMinute, self::MillilitrePerMinute, self::CubicMetrePerMinute, self::CubicFootPerMinute => Dimension::Flow,
            self::Millilitre, self::Litre, self::CubicMetre => Dimension::Volume,
            self::Celsius, self::Fahrenheit, self::Kelvin => Dimension::Temperature,
            self::Pascal,
            self::Hectopascal,
            self::Kilopascal,
            self::MillimetreMercury,
            self::InchMercury,
            self::MillimetreWater,
            self::InchWater,
            self::Bar,
            self::PoundPerSquareInch => Dimension::Pressure,
            self::Microgram, self::Milligram => Dimension::Mass,
            self::MilligramPerCubicMetre, self::MicrogramPerCubicMetre => Dimension::Concentration,
            self::PartsPerMillion, self::PartsPerBillion, self::PercentVolume => Dimension::Fraction,
            self::PercentExplosive => Dimension::Flammability,
            self::Electronvolt => Dimension::Energy,
            self::Micrometre => Dimension::Length,
            self::PerCubicCentimetre => Dimension::NumberConcentration,
            self::PerMinute => Dimension::Rate,
            self::GramPerCubicCentimetre => Dimension::Density,
            self::GramPerMole => Dimension::MolarMass,
            self::LitrePerMole => Dimension::MolarVolume,
        };
    }

    /** @throws UnitsDoNotMatch */
    public function convert(Exact $value, self $to): Exact
    {
        if ($this === $to) {
            return $value;
        }
        if ($this->dimension() !== $to->dimension() || $this->dimension() === Dimension::Level) {
            throw UnitsDoNotMatch::between($this, $to);
        }

        return $value->plus(Exact::of($this->zero()))->times($this->size())->dividedBy($to->size())->minus(Exact::of($to->zero()));
    }

    /** How many of the dimension's first unit one of these is. */
    private function size(): Exact
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

    /** What is added before scaling: the distance of its zero from the absolute one. */
    private function zero(): string
    {
        return match ($this) {
            self::Celsius => '273.15',
            self::Fahrenheit => '459.67',
            default => '0',
        };
    }
}
