<?php

declare(strict_types=1);

namespace Footnote\Core\Air;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;

/** The air at one place and moment: temperature, absolute pressure and, where it was read, relative humidity in %. */
final readonly class Air
{
    public const TEMPERATURES = [CommonUnit::Celsius, CommonUnit::Fahrenheit, CommonUnit::Kelvin];
    public const PRESSURES = [CommonUnit::Kilopascal, CommonUnit::Hectopascal, CommonUnit::MillimetreMercury, CommonUnit::InchMercury];

    public function __construct(public ?Measured $temperature, public ?Measured $pressure, public ?Decimal $humidity = null)
    {
    }

    public static function of(Traits $traits, string $prefix = ''): self
    {
        $name = static fn (string $one): string => $prefix === '' ? $one : $prefix.ucfirst($one);

        return new self($traits->measured($name('temperature')), $traits->measured($name('pressure')), $traits->decimal($name('humidity')));
    }

    /** @return list<Entry> */
    public static function entries(string $prefix = '', string $where = ''): array
    {
        $name = static fn (string $one): string => $prefix === '' ? $one : $prefix.ucfirst($one);

        return [
            Entry::measured($name('temperature'), 'Temperature'.$where, self::TEMPERATURES),
            Entry::measured(
                $name('pressure'),
                'Pressure'.$where,
                self::PRESSURES,
                help: 'Absolute, as the barometer shows it at this place',
            ),
        ];
    }

    /** @return list<Entry> what is read in the field when a run is over */
    public static function inTheField(): array
    {
        return array_map(static fn (Entry $entry): Entry => $entry->atTheEnd(), self::entries('field', ' in the field'));
    }

    public function isKnown(): bool
    {
        return $this->temperature !== null && $this->pressure !== null;
    }

    public function kelvin(): Exact
    {
        return $this->temperature?->in(CommonUnit::Kelvin) ?? throw new ConditionsMissing('The temperature is not known.');
    }

    public function kilopascal(): Exact
    {
        return $this->pressure?->in(CommonUnit::Kilopascal) ?? throw new ConditionsMissing('The pressure is not known.');
    }

    /**
     * Temperature and pressure as they were written, as inputs.
     *
     * @param string $index of both symbols, such as "_ref"
     *
     * @return array<string, Figure>
     */
    public function inputs(Origin $origin, string $index = ''): array
    {
        $inputs = [];
        foreach ([['T', 'temperature', $this->temperature], ['P', 'pressure', $this->pressure]] as [$symbol, $meaning, $read]) {
            if ($read !== null) {
                $inputs[$symbol.$index] = Figure::read(
                    $symbol.$index,
                    $meaning,
                    $read->value->value,
                    $read->unit,
                    $origin,
                    $read->value->decimals(),
                );
            }
        }

        return $inputs;
    }

    /** F-2: the pressure of saturated water vapour, kPa, at a temperature in °C. */
    public static function saturated(float $celsius): float
    {
        return 0.61094 * exp(17.625 * $celsius / ($celsius + 243.04));
    }

    /**
     * What looks odd and may yet be right, as questions: a temperature in the other unit, a pressure of another place.
     *
     * @return list<string>
     */
    public function questions(): array
    {
        $questions = [];
        if ($this->temperature !== null) {
            $celsius = $this->temperature->in(CommonUnit::Celsius)->toFloat();
            if ($this->temperature->unit === CommonUnit::Celsius && $celsius > 45.0) {
                $questions[] = \sprintf(
                    '%s °C is hot for a place of work. Was it °F? That would be %s °C.',
                    $this->temperature->value->written,
                    CommonUnit::Fahrenheit->convert($this->temperature->value->value, CommonUnit::Celsius)->rounded(1),
                );
            } elseif ($celsius < -20.0 || $celsius > 50.0) {
                $questions[] = \sprintf(
                    '%s is %s °C. Is the unit right?',
                    $this->temperature->words(),
                    number_format($celsius, 1, '.', ''),
                );
            } elseif ($this->temperature->unit === CommonUnit::Fahrenheit && $celsius < 0.0) {
                $questions[] = \sprintf(
                    '%s °F is %s °C, below freezing. Was it °C?',
                    $this->temperature->value->written,
                    number_format($celsius, 1, '.', ''),
                );
            }
        }
        if ($this->pressure !== null) {
            $kilopascal = $this->pressure->in(CommonUnit::Kilopascal)->toFloat();
            if ($kilopascal < 55.0 || $kilopascal > 108.0) {
                $questions[] = \sprintf(
                    '%s is %s kPa, which no weather at a place of work gives. Is the unit right, and is it the absolute pressure?',
                    $this->pressure->words(),
                    number_format($kilopascal, 1, '.', ''),
                );
            }
        }

        return $questions;
    }
}
