<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Evidence\Certificate;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Real;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Response\RecallError;

/** A cylinder of calibration gas: what its label says, and how much is left in it. */
final readonly class Bottle
{
    public const KIND = 'gas-bottle';
    public const PRESSURES = [CommonUnit::Bar, CommonUnit::PoundPerSquareInch, CommonUnit::Kilopascal];

    /** What flows while a gas is on where the regulator does not say, L/min (common practice). */
    public const FLOW = '0.5';

    /** What is taken for 100 % LEL of methane, % vol: two editions of a standard (common practice). */
    public const BASES = ['5.0' => '5.0 % vol methane', '4.4' => '4.4 % vol methane'];

    public function __construct(public Reference $reference)
    {
    }

    public static function kind(): ReferenceKind
    {
        return new ReferenceKind(
            self::KIND,
            'Cylinder of calibration gas',
            [
                Entry::measured('size', 'Holds when full', [CommonUnit::Litre]),
                Entry::measured('fullPressure', 'Pressure when full', self::PRESSURES),
                Entry::choice(
                    'regulator',
                    'Regulator',
                    [
                        'fixed' => 'fixed flow',
                        'demand' => 'demand flow',
                        'bag' => 'fixed flow into a bag',
                        'tee' => 'fixed flow over a T-piece',
                    ],
                    help: 'A pumped instrument wants demand flow, a T-piece or a bag',
                ),
                Entry::decimal('flow', 'Flow', '0.05', '10', CommonUnit::LitrePerMinute),
                Entry::text('balance', 'Balance gas'),
                Entry::text('lot', 'Lot'),
            ],
            constants: [Entry::rows('gases', 'On the label', [
                Entry::text(
                    'gas',
                    'Gas',
                    true,
                    'oxygen, flammable gas, carbon monoxide, hydrogen sulphide, carbon dioxide, isobutylene, or another by name',
                ),
                Entry::decimal('concentration', 'Concentration', '0', '1000000', required: true),
                Entry::choice(
                    'unit',
                    'Unit',
                    [
                        CommonUnit::PartsPerMillion->value => 'ppm',
                        CommonUnit::PercentVolume->value => '% vol',
                        GasUnit::PercentExplosive->value => '% LEL',
                    ],
                    true,
                ),
                Entry::decimal('accuracy', 'Accuracy ±', '0', '100', CommonUnit::Percent),
                Entry::choice(
                    'lelBasis',
                    '100 % LEL is',
                    self::BASES,
                    help: 'Of flammable gas: what the label, and the instrument set by it, take for 100 % LEL',
                ),
            ])],
            error: CommonUnit::Percent,
        );
    }

    /** What the label in force on a day says of a gas; null where the bottle does not hold it or has no certificate. */
    public function gas(string $name, \DateTimeImmutable $on): ?Traits
    {
        foreach ($this->reference->certificateAt($on)?->constants->rows('gases') ?? [] as $gas) {
            if (GasName::areAlike($gas->text('gas') ?? '', $name)) {
                return $gas;
            }
        }

        return null;
    }

    /** The label as a figure in the unit of the channel; null where the bottle does not hold its gas. */
    public function label(Channel $channel, \DateTimeImmutable $on): ?Figure
    {
        $gas = $this->gas($channel->spanGas(), $on);
        $value = $gas?->decimal('concentration');
        $unit = $gas === null ? null : GasUnit::named($gas->text('unit') ?? '');
        $certificate = $this->reference->certificateAt($on);
        if ($gas === null || $value === null || $unit === null || !$certificate instanceof Certificate) {
            return null;
        }
        $error = RecallError::of($this->reference, $on);
        $figure = Figure::read(
            'c_span',
            \sprintf('%s on the label of %s', $channel->spanGas(), $this->reference->id),
            $value->value,
            $unit,
            new Origin(
                'certificate',
                $certificate->number,
                \sprintf('%s of %s, %s', $certificate->number, $certificate->issued->format('j M Y'), $certificate->laboratory),
            ),
            $value->decimals(),
        );
        if ($error !== null) {
            $figure = Figure::derived(
                'c_span',
                $figure->meaning.', its error taken out',
                $value->value->times(RecallError::factor($error)),
                $unit,
                SharedEquation::RecalledLabel,
                ['c_told' => $figure, 'e' => $error],
                max(1, $figure->decimals),
            );
        }
        if ($unit->base() === $channel->unit->base()) {
            return $figure->in(
                $unit->convert($figure->value instanceof Exact ? $figure->value : $value->value, $channel->unit),
                $channel->unit,
            );
        }

        return self::told($figure, $channel, $gas);
    }

    /**
     * A label in another kind of unit than the channel shows: by what 100 % LEL is taken for, or by molar mass; null where
     * neither is known.
     */
    private static function told(Figure $label, Channel $channel, Traits $gas): ?Figure
    {
        $basis = $gas->text('lelBasis');
        if ($label->unit === CommonUnit::PercentVolume
            && $channel->unit === GasUnit::PercentExplosive
            && $basis !== null
            && $label->value instanceof Exact) {
            return Figure::derived(
                $label->symbol,
                $label->meaning,
                $label->value->times(100)->dividedBy(Exact::of($basis)),
                GasUnit::PercentExplosive,
                GasEquation::ExplosiveShare,
                [
                    'x' => $label,
                    'B' => Figure::read(
                        'B',
                        'methane that the label takes for 100 % LEL',
                        Exact::of($basis),
                        CommonUnit::PercentVolume,
                        $label->from->origin ?? new Origin('certificate', '', 'on the label'),
                        1,
                    ),
                ],
                $label->decimals,
            );
        }
        $molar = $channel->molarMass();
        if (\in_array($label->unit, [CommonUnit::PartsPerMillion, CommonUnit::PartsPerBillion], true)
            && $channel->unit === CommonUnit::MilligramPerCubicMetre
            && $molar !== null
            && $label->value instanceof Exact) {
            $volume = ReferenceConditions::at('25', '101.325')->molarVolume(new Air(null, null));
            $parts = $label->in($label->unit->convert($label->value, CommonUnit::PartsPerMillion), CommonUnit::PartsPerMillion);

            return Figure::derived(
                $label->symbol,
                $label->meaning.', by mass',
                Real::by(Real::times($parts->value, $molar->value), $volume->value),
                CommonUnit::MilligramPerCubicMetre,
                SharedEquation::MassConcentration,
                ['x' => $parts, 'M' => $molar, 'V_m' => $volume],
                $label->decimals,
            );
        }

        return null;
    }

    /** What 100 % LEL of flammable gas is taken for by its label, % vol; null where it does not say, or holds none. */
    public function lelBasis(\DateTimeImmutable $on): ?string
    {
        return $this->gas(GasKind::Flammable->value, $on)?->text('lelBasis');
    }

    /** How far the label itself may be off, in the unit of the channel; null where it does not say. */
    public function uncertainty(Channel $channel, \DateTimeImmutable $on): ?Exact
    {
        $label = $this->label($channel, $on)?->value;
        $share = $this->gas($channel->spanGas(), $on)?->decimal('accuracy')?->value;

        return $label instanceof Exact && $share !== null ? $label->absolute()->times($share)->dividedBy(100) : null;
    }

    /** G-8: what is left, L; null where size, pressure when full or pressure now are not known. */
    public function litres(?Measured $pressure): ?Exact
    {
        $size = $this->reference->traits->measured('size');
        $full = $this->reference->traits->measured('fullPressure');

        return $size === null || $full === null || $pressure === null || $full->value->value->isZero()
            ? null
            : $size->in(CommonUnit::Litre)->times($pressure->in(CommonUnit::Kilopascal))->dividedBy($full->in(CommonUnit::Kilopascal));
    }

    /** G-8: for how many minutes there is gas; null where size, pressure when full or pressure now are not known. */
    public function left(?Measured $pressure): ?Figure
    {
        $size = $this->reference->traits->measured('size');
        $full = $this->reference->traits->measured('fullPressure');
        if ($size === null || $full === null || $pressure === null || $full->value->value->isZero()) {
            return null;
        }
        $flow = $this->reference->traits->decimal('flow');
        $litres = $this->litres($pressure) ?? Exact::zero();
        $own = new Origin('reference', $this->reference->id, 'as registered');
        $of = static fn (string $symbol, string $meaning, Measured $read, Origin $origin): Figure => Figure::read(
            $symbol,
            $meaning,
            $read->value->value,
            $read->unit,
            $origin,
            $read->value->decimals(),
        );

        return Figure::derived(
            't',
            'minutes of gas left',
            $litres->dividedBy(($flow ?? Decimal::parse(self::FLOW))->value),
            CommonUnit::Minute,
            GasEquation::GasLeft,
            [
                'V_full' => $of('V_full', 'what it holds when full', $size, $own),
                'P' => $of('P', 'its pressure now', $pressure, new Origin('check', 'bench', 'typed')),
                'P_full' => $of('P_full', 'its pressure when full', $full, $own),
                'q' => $of(
                    'q',
                    'flow of its regulator',
                    new Measured($flow ?? Decimal::parse(self::FLOW), CommonUnit::LitrePerMinute),
                    $flow === null ? new Origin('assumption', $this->reference->id, 'not said: the usual one') : $own,
                ),
            ],
            0,
        );
    }

    /** In a few words: what is in it. */
    public function words(\DateTimeImmutable $on): string
    {
        $gases = array_map(
            static fn (Traits $gas): string => trim(
                \sprintf('%s %s %s', $gas->text('gas') ?? '', $gas->decimal('concentration')->written ?? '', $gas->text('unit') ?? ''),
            ),
            $this->reference->certificateAt($on)?->constants->rows('gases') ?? [],
        );

        return $gases === [] ? 'nothing is known of what it holds' : implode(', ', $gases);
    }
}
