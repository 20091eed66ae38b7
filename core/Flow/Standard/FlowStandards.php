<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Air\Air;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Record\CertificateTable;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Response\RecallError;

/** The kinds of flow standards, and the standard that a reference of the kit is. */
final class FlowStandards
{
    public const SOAP_FILM = 'soap-film-burette';
    public const DRY_PISTON = 'dry-piston';
    public const MASS_FLOW = 'mass-flow-meter';
    public const ROTAMETER = 'rotameter';
    public const VENTURI = 'venturi';
    public const ORIFICE = 'transfer-orifice';
    public const THERMOMETER = 'thermometer';
    public const BAROMETER = 'barometer';
    public const KINDS = [self::SOAP_FILM, self::DRY_PISTON, self::MASS_FLOW, self::ROTAMETER, self::VENTURI, self::ORIFICE];

    /** @return list<ReferenceKind> */
    public static function kinds(): array
    {
        $range = [Entry::measured('rangeLow', 'Range from', FlowRow::FLOWS), Entry::measured('rangeHigh', 'Range to', FlowRow::FLOWS)];
        $scales = ['L/min' => 'L/min', 'mL/min' => 'mL/min', 'm³/min' => 'm³/min', 'ft³/min' => 'ft³/min'];
        $scale = Entry::choice('scale', 'Shows flow in', $scales, true);
        $uncertainty = Entry::decimal('uncertaintyPercent', 'Uncertainty of flow', '0', '100', CommonUnit::Percent);

        return [
            new ReferenceKind(
                self::SOAP_FILM,
                'Soap-film burette',
                $range,
                constants: [$uncertainty],
                error: CommonUnit::Percent,
            ),
            new ReferenceKind(
                self::DRY_PISTON,
                'Dry piston',
                [$scale, ...$range],
                constants: [$uncertainty],
                error: CommonUnit::Percent,
            ),
            new ReferenceKind(
                self::MASS_FLOW,
                'Mass-flow meter',
                [
                    $scale,
                    ...$range,
                    Entry::measured('statedTemperature', 'Its flow is stated at', Air::TEMPERATURES, true),
                    Entry::measured('statedPressure', 'and', Air::PRESSURES, true),
                ],
                constants: [$uncertainty],
                error: CommonUnit::Percent,
            ),
            new ReferenceKind(
                self::ROTAMETER,
                'Rotameter',
                [
                    $scale,
                    Entry::choice(
                        'floatRead',
                        'Its table is for',
                        ['middle' => 'the middle of the float', 'bottom' => 'the bottom of the float', 'top' => 'the top of the float'],
                        true,
                    ),
                    Entry::measured('calibratedTemperature', 'Calibrated at', Air::TEMPERATURES, true),
                    Entry::measured('calibratedPressure', 'and', Air::PRESSURES, true),
                ],
                constants: [$uncertainty],
                table: new CertificateTable(CommonUnit::LitrePerMinute, nominal: 'scale mark', required: true, least: '0', most: '1000000'),
                error: CommonUnit::Percent,
            ),
            new ReferenceKind(
                self::VENTURI,
                'Venturi',
                [
                    $scale,
                    Entry::rows(
                        'throats',
                        'Throats',
                        [
                            Entry::text('name', 'Throat', true),
                            Entry::measured('low', 'From', FlowRow::FLOWS, true),
                            Entry::measured('high', 'To', FlowRow::FLOWS, true),
                        ],
                    ),
                ],
                constants: [$uncertainty],
                error: CommonUnit::Percent,
            ),
            new ReferenceKind(
                self::ORIFICE,
                'Transfer orifice with manometer',
                [
                    ...$range,
                    Entry::decimal(
                        'gravity',
                        'Specific gravity of the manometer\'s fluid',
                        '0.5',
                        '15',
                        help: 'Water 1; gauge oil about 0.83',
                    ),
                ],
                constants: [
                    Entry::decimal('slope', 'Slope m', '-1000000', '1000000', required: true),
                    Entry::decimal('intercept', 'Intercept b', '-1000000', '1000000', required: true),
                    Entry::choice('flowUnit', 'in', ['m³/min' => 'm³/min', 'ft³/min' => 'ft³/min', 'L/min' => 'L/min'], true),
                    $uncertainty,
                ],
                error: CommonUnit::Percent,
            ),
            new ReferenceKind(
                self::THERMOMETER,
                'Thermometer',
                [],
                constants: [Entry::measured('uncertainty', 'Uncertainty', [CommonUnit::Kelvin])],
            ),
            new ReferenceKind(
                self::BAROMETER,
                'Barometer',
                [],
                constants: [Entry::measured('uncertainty', 'Uncertainty', Air::PRESSURES)],
            ),
        ];
    }

    /**
     * The standard that a reference is at a check; null where it is none, or lacks what its kind lives from.
     *
     * @param string                                                              $setting the throat, where it has several
     * @param array{left: Decimal|null, right: Decimal|null, gravity: Decimal|null} $gauge   how the manometer rested
     * @param bool                                                                $below   whether what lies below its range is told as well
     */
    public static function of(
        Reference $reference,
        \DateTimeImmutable $at,
        string $setting,
        array $gauge,
        bool $below = false,
    ): ?FlowStandard {
        $traits = $reference->traits;
        $range = new Range($below ? null : $traits->measured('rangeLow'), $traits->measured('rangeHigh'), 'the range of '.$reference->id);
        $scale = CommonUnit::tryFrom($traits->text('scale') ?? '') ?? CommonUnit::LitrePerMinute;
        $certificate = $reference->certificateAt($at);

        $standard = match ($reference->kind) {
            self::SOAP_FILM => new SoapFilm($range),
            self::DRY_PISTON => new DirectReading($reference->id, $range, $scale),
            self::MASS_FLOW => new DirectReading($reference->id, $range, $scale, Air::of($traits, 'stated')),
            self::ROTAMETER => $certificate === null || $certificate->values === []
                ? null
                : new Rotameter($reference->id, $certificate, $scale, Air::of($traits, 'calibrated')),
            self::VENTURI => ($throat = self::throat($traits, $setting)) === null
                ? null
                : new DirectReading($reference->id,
                    new Range(
                        $below ? null : $throat->measured('low'),
                        $throat->measured('high'),
                        \sprintf('throat %s of %s', $setting, $reference->id),
                    ),
                    $scale,
                ),
            self::ORIFICE => $certificate === null
                ? null
                : self::orifice(
                    $certificate->constants,
                    $certificate->number,
                    $range,
                    new Manometer($gauge['left'], $gauge['right'], $gauge['gravity'] ?? $traits->decimal('gravity')),
                ),
            default => null,
        };
        $error = RecallError::of($reference, $at);

        return $standard === null || $error === null ? $standard : new Recalled($standard, $error);
    }

    /**
     * The flows over which a reference works; null where they are not known.
     *
     * @return array{Measured, Measured}|null
     */
    public static function range(Reference $reference, string $setting): ?array
    {
        $throat = self::throat($reference->traits, $setting);
        $ends = $throat === null
            ? [$reference->traits->measured('rangeLow'), $reference->traits->measured('rangeHigh')]
            : [$throat->measured('low'), $throat->measured('high')];

        return $ends[0] === null || $ends[1] === null ? null : [$ends[0], $ends[1]];
    }

    private static function throat(Traits $traits, string $name): ?Traits
    {
        foreach ($traits->rows('throats') as $throat) {
            if ($throat->text('name') === $name) {
                return $throat;
            }
        }

        return null;
    }

    private static function orifice(Traits $constants, string $certificate, Range $range, Manometer $manometer): ?TransferOrifice
    {
        $slope = $constants->decimal('slope');
        $intercept = $constants->decimal('intercept');
        $unit = CommonUnit::tryFrom($constants->text('flowUnit') ?? '');

        return $slope === null || $intercept === null || $unit === null
            ? null
            : new TransferOrifice($range, $slope, $intercept, $unit, $manometer, $certificate);
    }
}
