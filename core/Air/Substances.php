<?php

declare(strict_types=1);

namespace Footnote\Core\Air;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\Shelf;

/**
 * The library of substances: what air is sampled and monitored for. Families share it. What comes with Footnote holds
 * ionisation energies as the NIOSH Pocket Guide prints them, and correction factors of photoionisation detectors from
 * memory, to be confirmed against the instrument's manual.
 */
final class Substances
{
    public const SHELF = 'substances';

    /** The calibration gas that photoionisation readings are told in. */
    public const ISOBUTYLENE = 'isobutylene';

    /** Lamps by the name of the entry that holds a substance's factor under it, eV. */
    public const LAMPS = ['factor98' => '9.8', 'factor106' => '10.6', 'factor117' => '11.7'];

    private const SOURCE = 'NIOSH Pocket Guide, from memory; factor from memory: confirm against your instrument\'s manual';

    /** Code, name, g/mol, eV, factor at 10.6 eV. */
    private const SHIPPED = [
        ['isobutylene', 'isobutylene', '56.11', '9.24', '1.0'],
        ['toluene', 'toluene', '92.14', '8.82', '0.5'],
        ['xylene', 'xylene', '106.17', '8.56', '0.45'],
        ['butanone', 'butanone', '72.11', '9.54', '0.9'],
        ['acetone', 'acetone', '58.08', '9.69', '1.1'],
        ['butyl-acetate', 'butyl acetate', '116.16', '10.00', '2.5'],
        ['ethyl-acetate', 'ethyl acetate', '88.11', '10.01', '4.3'],
        ['ethanol', 'ethanol', '46.07', '10.47', '11'],
        ['isopropanol', 'isopropanol', '60.10', '10.10', null],
        ['carbon-monoxide', 'carbon monoxide', '28.01', '14.01', null],
        ['hydrogen-sulphide', 'hydrogen sulphide', '34.08', '10.46', null],
        ['carbon-dioxide', 'carbon dioxide', '44.01', '13.77', null],
    ];

    public static function shelf(): Shelf
    {
        $factor = static fn (string $name, string $lamp): Entry => Entry::decimal(
            $name,
            'Factor with a '.$lamp.' eV lamp',
            '0.01',
            '1000',
            help: 'True vapour = reading in isobutylene units times this; by the manual of your instrument',
        );

        return new Shelf(self::SHELF, 'Substances', 'substance', [
            Entry::decimal(
                'molarMass',
                'Molar mass',
                '1',
                '2000',
                CommonUnit::GramPerMole,
                help: 'Empty for dusts and metals: they are not told in ppm',
            ),
            Entry::decimal('ionisationEnergy', 'Ionisation energy', '5', '30', CommonUnit::Electronvolt),
            ...array_map($factor, array_keys(self::LAMPS), array_values(self::LAMPS)),
            Entry::rows(
                'parts',
                'A mixture of',
                [
                    Entry::named('substance', 'Substance', 'library:'.self::SHELF, true),
                    Entry::decimal('share', 'Share', '0', '100', CommonUnit::Percent, true),
                ],
                'By volume in the air, 100 % together; its factor is then worked out',
            ),
            Entry::text('source', 'Source'),
        ], array_values(
            array_map(
                static fn (array $one): array => array_filter(
                    [
                        'code' => $one[0],
                        'name' => $one[1],
                        'molarMass' => $one[2],
                        'ionisationEnergy' => $one[3],
                        'factor106' => $one[4],
                        'source' => self::SOURCE,
                    ],
                    \is_string(...),
                ),
                self::SHIPPED,
            ),
        ));
    }

    /** The entry that holds the factor under a lamp; null for a lamp that no factors are kept for. */
    public static function factorName(Decimal $lamp): ?string
    {
        foreach (self::LAMPS as $name => $energy) {
            if ($lamp->value->compareTo(Decimal::parse($energy)->value) === 0) {
                return $name;
            }
        }

        return null;
    }
}
