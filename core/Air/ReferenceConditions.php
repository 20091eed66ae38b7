<?php

declare(strict_types=1);

namespace Footnote\Core\Air;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Sentence;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;

/** The conditions that volumes and concentrations are stated at: a choice with a name, or "as sampled". */
final readonly class ReferenceConditions implements Criterion
{
    /** J/(mol·K), exact since the SI of 2019 (published: CODATA 2018). */
    public const GAS_CONSTANT = '8.31446261815324';

    /** @param Air|null $air null: as sampled */
    public function __construct(public string $id, public string $name, public ?Air $air, public string $source, public SourceMark $mark)
    {
    }

    public static function asSampled(): self
    {
        return new self('as-sampled', 'as sampled', null, 'no reference conditions were chosen', SourceMark::Own);
    }

    public static function at(string $celsius, string $kilopascal): self
    {
        return new self(
            'reference',
            \sprintf('%s °C, %s kPa', $celsius, $kilopascal),
            new Air(
                new Measured(Decimal::parse($celsius), CommonUnit::Celsius),
                new Measured(Decimal::parse($kilopascal), CommonUnit::Kilopascal),
            ),
            'named',
            SourceMark::CommonPractice,
        );
    }

    public function id(): string
    {
        return $this->id;
    }

    public function name(): string
    {
        return $this->name;
    }

    /** At which conditions something is told. */
    public function stated(): Sentence
    {
        $figures = $this->air?->inputs(new Origin('criterion', $this->id, $this->name), '_ref') ?? [];

        return Sentence::of('Stated at '.$this->name.'.', ...array_values($figures));
    }

    /** What an actual volume is multiplied by to be stated at these conditions. */
    public function factor(Air $field): Exact
    {
        return $this->air === null
            ? Exact::of(1)
            : $field->kilopascal()->dividedBy($this->air->kilopascal())->times($this->air->kelvin())->dividedBy($field->kelvin());
    }

    /** Molar volumes that publications name, by °C at 101.325 kPa. */
    private const NAMED = ['25' => ['24.45', 'NIOSH Pocket Guide'], '20' => ['24.055', 'ideal gas'], '0' => ['22.414', 'ideal gas']];

    /** @return array{string, string}|null */
    private function named(): ?array
    {
        if ($this->air === null || $this->air->kilopascal()->compareTo(Exact::of('101.325')) !== 0) {
            return null;
        }
        foreach (self::NAMED as $celsius => $named) {
            if ($this->air->kelvin()->compareTo(CommonUnit::Celsius->convert(Exact::of($celsius), CommonUnit::Kelvin)) === 0) {
                return $named;
            }
        }

        return null;
    }

    /** C-2: V_m at these conditions, L/mol: as publications name it, else R·T/P; as sampled: at those of the field. */
    public function molarVolume(Air $field, ?Origin $read = null): Figure
    {
        $own = new Origin('criterion', $this->id, $this->name);
        $named = $this->named();
        if ($named !== null) {
            return Figure::read(
                'V_m',
                'molar volume at '.$this->name,
                Exact::of($named[0]),
                CommonUnit::LitrePerMole,
                new Origin('constant', $named[1], $named[1]),
                3,
            );
        }
        $air = $this->air ?? $field;

        return Figure::derived(
            'V_m',
            'molar volume at '.$this->name,
            Exact::of(self::GAS_CONSTANT)->times($air->kelvin())->dividedBy($air->kilopascal()),
            CommonUnit::LitrePerMole,
            SharedEquation::MolarVolume,
            [
                'R' => Figure::read(
                    'R',
                    'gas constant, J/(mol K)',
                    Exact::of(self::GAS_CONSTANT),
                    CommonUnit::JoulePerMoleKelvin,
                    new Origin('constant', 'CODATA 2018', 'CODATA 2018, published'),
                    3,
                ),
                ...$air->inputs($this->air === null ? $read ?? $own : $own),
            ],
            3,
        );
    }
}
