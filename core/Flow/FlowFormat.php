<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\ReferenceConditions;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\CommonIntervention;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Flow\Standard\FlowRow;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\HasCriteria;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\KeepsShelves;
use Footnote\Core\Record\ReadingEntries;
use Footnote\Core\Record\RunSurroundings;
use Footnote\Core\Record\Shelf;
use Footnote\Core\Record\ShipsYardsticks;
use Footnote\Core\Record\YardstickSet;
use Footnote\Core\Sheet\ShipsSheets;
use Footnote\Core\StandIn\BringsStandIns;

/** Air sampling in the record format: pumps and samplers, flow standards, flow checks, samples, laboratory reports. */
final readonly class FlowFormat implements ContentFormat, KeepsShelves, ShipsYardsticks, HasCriteria, ShipsSheets, BringsStandIns
{
    public const PUMP = 'pump';
    public const FIXED = 'fixed sampler';
    public const GAUGE = 'gauge sampler';
    public const COMPENSATED = 'compensated';
    public const UNCOMPENSATED = 'uncompensated';
    public const CRITICAL = 'critical orifice';
    public const SAMPLERS = 'samplers';
    public const METHODS = 'methods';

    public function instrument(): array
    {
        return [
            Entry::choice(
                'kind',
                'Kind',
                [
                    self::PUMP => 'sampling pump',
                    self::FIXED => 'fixed sampler with set-points',
                    self::GAUGE => 'sampler with a gauge and a calibration curve',
                ],
                true,
            ),
            Entry::choice(
                'flowControl',
                'Flow control',
                [
                    self::COMPENSATED => 'compensated: holds its actual flow',
                    self::UNCOMPENSATED => 'not compensated',
                    self::CRITICAL => 'critical orifice',
                ],
                true,
            ),
            Entry::measured('rangeLow', 'Flow from', FlowRow::FLOWS),
            Entry::measured('rangeHigh', 'Flow to', FlowRow::FLOWS),
            Entry::measured('leakLimit', 'Leak test: vacuum may fall by', LeakTest::PRESSURES, help: 'By its manual'),
            Entry::decimal('leakLimitSeconds', 'in', '1', '36000', CommonUnit::Second),
        ];
    }

    public function interventions(): array
    {
        return [
            CommonIntervention::Repaired,
            CommonIntervention::Adjusted,
            FlowIntervention::FilterExchanged,
            CommonIntervention::FirmwareChanged,
            CommonIntervention::FactoryReset,
            CommonIntervention::LaboratoryCalibration,
        ];
    }

    public function routines(): array
    {
        return [FlowRoutine::Check];
    }

    public function remarks(): array
    {
        return [];
    }

    public function referenceKinds(): array
    {
        return FlowStandards::kinds();
    }

    public function shelves(): array
    {
        return [
            new Shelf(self::SAMPLERS, 'Sampler types', 'sampler type', [
                Entry::choice(
                    'selects',
                    'What it takes',
                    [
                        'total' => 'everything',
                        'inhalable' => 'the inhalable fraction',
                        'thoracic' => 'the thoracic fraction',
                        'respirable' => 'the respirable fraction',
                        'vapour' => 'vapours',
                        'other' => 'something else',
                    ],
                    true,
                ),
                Entry::measured(
                    'designFlow',
                    'Design flow',
                    FlowRow::FLOWS,
                    help: 'Size-selective samplers select what they promise only at this flow',
                ),
                Entry::decimal('tolerance', 'Tolerance of its own', '0', '100', CommonUnit::Percent, help: 'Empty: the policy\'s'),
                Entry::choice(
                    'medium',
                    'At the flow check the medium is',
                    ['in line' => 'in line', 'empty' => 'left out: it is checked empty', 'not applicable' => 'not applicable'],
                    true,
                ),
                Entry::flag('sections', 'It has a front and a back section'),
            ]),
            new Shelf(self::METHODS, 'Methods', 'method', [
                Entry::measured('volumeLow', 'Volume from', [CommonUnit::Litre, CommonUnit::CubicMetre]),
                Entry::measured('volumeHigh', 'Volume to', [CommonUnit::Litre, CommonUnit::CubicMetre]),
                Entry::measured('flowLow', 'Flow from', FlowRow::FLOWS),
                Entry::measured('flowHigh', 'Flow to', FlowRow::FLOWS),
                Entry::decimal('blanks', 'Field blanks wanted', '0', '100'),
                Entry::decimal('holdingDays', 'A sample holds until it is analysed, days', '0.1', '3650'),
                Entry::flag('desorption', 'The laboratory desorbs: an efficiency is needed'),
                Entry::decimal(
                    'samplingError',
                    'Sampling and analytical error, one-sided 95 %',
                    '0',
                    '2',
                    help: 'SAE as a fraction, such as 0.16',
                ),
                Entry::text('source', 'Source'),
            ]),
            Substances::shelf(),
        ];
    }

    public function sheets(): array
    {
        return FlowSheet::templates();
    }

    public function standIns(): array
    {
        return [new PumpStandIn()];
    }

    public function section(): string
    {
        return 'flow';
    }

    public function check(): array
    {
        return self::entries();
    }

    /** @return list<Entry> what the section of a check holds */
    public static function entries(): array
    {
        $rows = [...FlowRow::entries(), ...ReadingEntries::how(true)];

        return [
            Entry::text('procedure', 'Procedure'),
            Entry::text('setting', 'Setting'),
            ...Air::entries(),
            Entry::decimal(
                'humidity',
                'Relative humidity',
                '0',
                '100',
                CommonUnit::Percent,
                help: 'Where given, the water of the film is taken out; do so at both ends or at neither',
            ),
            Entry::named('thermometer', 'Thermometer', 'reference:'.FlowStandards::THERMOMETER),
            Entry::named('barometer', 'Barometer', 'reference:'.FlowStandards::BAROMETER),
            Entry::choice(
                'medium',
                'At this check the medium is',
                ['in line' => 'in line', 'empty' => 'left out', 'not applicable' => 'not applicable'],
            ),
            Entry::measured('target', 'Flow it is to be set for', FlowRow::FLOWS),
            Entry::choice(
                'floatRead',
                'Read at',
                ['middle' => 'the middle of the float', 'bottom' => 'the bottom of the float', 'top' => 'the top of the float'],
            ),
            Entry::decimal('restLeft', 'One leg at rest', '-1000', '1000', help: 'Before there is flow, from the scale\'s zero'),
            Entry::decimal('restRight', 'Other leg at rest', '-1000', '1000'),
            Entry::decimal(
                'gravity',
                'Specific gravity of the fluid',
                '0.5',
                '15',
                help: 'Water 1; oil wants its own. Empty: as registered, else water',
            ),
            ...LeakTest::entries(),
            Entry::choice('standstill', 'If nothing flows', Standstill::choices()),
            Entry::measured('unitTemperature', 'Sampler\'s temperature', Air::TEMPERATURES),
            Entry::measured('unitPressure', 'Sampler\'s pressure', Air::PRESSURES),
            Entry::measured('unitTemperatureLeft', 'Sampler\'s temperature as left', Air::TEMPERATURES),
            Entry::measured('unitPressureLeft', 'Sampler\'s pressure as left', Air::PRESSURES),
            Entry::rows('asFound', 'As found', $rows),
            Entry::rows('asLeft', 'As left', $rows)->onlyWith('adjusted'),
            Entry::flag('adjusted', 'Adjusted'),
            Entry::rows('points', 'Points', $rows),
        ];
    }

    public function readCheck(Fields $check): CheckContent
    {
        $fields = $check->object('flow');
        $traits = EntryReader::read($fields, $this->check());
        foreach (['pressure', 'unitPressure', 'unitPressureLeft'] as $name) {
            self::absolute($fields, $name, $traits->measured($name));
        }
        $adjusted = $traits->flag('adjusted');
        $asLeft = self::rows($traits, 'asLeft');
        if (!$adjusted && $asLeft !== []) {
            throw new InvalidRecord(
                $fields->at('asLeft'),
                'is for an instrument that was adjusted; where nothing was adjusted, as left is as found.',
            );
        }

        return new FlowCheck(
            $traits->text('procedure') ?? '',
            new AtStandard(
                $traits->text('setting') ?? '',
                new Air($traits->measured('temperature'), $traits->measured('pressure'), $traits->decimal('humidity')),
                array_values(array_filter([$traits->text('thermometer'), $traits->text('barometer')], \is_string(...))),
                $traits->text('floatRead'),
                [
                    'left' => $traits->decimal('restLeft'),
                    'right' => $traits->decimal('restRight'),
                    'gravity' => $traits->decimal('gravity'),
                ],
            ),
            $traits->text('medium'),
            $traits->measured('target'),
            LeakTest::of($traits),
            new FlowReadings(
                self::rows($traits, 'asFound'),
                $asLeft,
                $adjusted,
                self::rows($traits, 'points'),
                Standstill::tryFrom($traits->text('standstill') ?? ''),
            ),
            new UnitShows(
                $traits->measured('unitTemperature'),
                $traits->measured('unitPressure'),
                $traits->measured('unitTemperatureLeft'),
                $traits->measured('unitPressureLeft'),
            ),
        );
    }

    public function describeCheck(CheckContent $content): array
    {
        if (!$content instanceof FlowCheck) {
            return [];
        }
        $rows = static fn (array $list): string => implode(
            ', ',
            array_map(
                static fn (FlowRow $row): string => $row->words(),
                array_filter($list, static fn (mixed $row): bool => $row instanceof FlowRow),
            ),
        );
        $air = implode(
            ', ',
            array_filter(
                [
                    $content->standard->air->temperature?->words(),
                    $content->standard->air->pressure?->words(),
                    $content->standard->air->humidity === null ? null : $content->standard->air->humidity->written.' %',
                ],
                \is_string(...),
            ),
        );

        return [
            ['label' => 'Air', 'shown' => $air === '' ? 'not read' : $air],
            ['label' => 'Medium', 'shown' => $content->medium ?? 'not said'],
            ...($content->readings->standstill === null ? [] : [[
                'label' => 'Flow',
                'shown' => Standstill::choices()[$content->readings->standstill->value],
            ]]),
            [
                'label' => 'As found',
                'shown' => $content->readings->points === []
                    ? $rows($content->readings->asFound)
                    : \sprintf('%d points', \count($content->readings->points)),
            ],
            ['label' => 'As left', 'shown' => $content->readings->adjusted ? $rows($content->readings->asLeft) : 'as found'],
            ['label' => 'Adjusted', 'shown' => $content->readings->adjusted ? 'yes' : 'no'],
        ];
    }

    public function usualMinutes(): int
    {
        return 480;
    }

    public function run(?Instrument $unit = null): array
    {
        return [
            Entry::text('medium', 'Number of the medium', help: 'As it stands on the cassette or tube')->ofOneRun(),
            Entry::named('sampler', 'Sampler type', 'library:'.self::SAMPLERS),
            Entry::named('method', 'Method', 'library:'.self::METHODS),
            Entry::choice('purpose', 'Sampled for', ['shift' => 'the shift', 'short-term' => 'a short-term value']),
            ...Air::inTheField(),
            Entry::measured('displayedVolume', 'Volume the pump shows', [CommonUnit::Litre, CommonUnit::CubicMetre])->atTheEnd(),
            Entry::decimal('gaugeStart', 'Sampler\'s gauge at the start', '0', '1000000'),
            Entry::decimal('gaugeStop', 'Sampler\'s gauge at the stop', '0', '1000000')->atTheEnd(),
        ];
    }

    public function readRun(Fields $run, RunSurroundings $around): RunContent
    {
        $traits = EntryReader::read($run, $this->run());
        self::absolute($run, 'fieldPressure', $traits->measured('fieldPressure'));
        $medium = $traits->text('medium');
        $find = static function (string $name, string $shelf) use ($traits, $run, $around): ?\Footnote\Core\Evidence\Traits {
            $code = $traits->text($name);

            return $code === null
                ? null
                : ($around->library->find($shelf, $code) ?? throw new InvalidRecord(
                    $run->at($name),
                    \sprintf('"%s" is not in the library of %s.', $code, $shelf),
                ));
        };

        return new AirSample(
            $run->text('id'),
            new Analysed(
                $medium,
                $medium === null ? [] : LaboratoryRows::of($medium, $around->laboratory, $around->library),
                $medium === null ? [] : $around->laboratory->usedBy($medium),
                \count(array_filter(
                    $around->laboratory->blanks(),
                    static fn (Fields $blank): bool => $blank->optionalText('kind') !== 'media',
                )),
            ),
            $find('sampler', self::SAMPLERS),
            $find('method', self::METHODS),
            new FieldReadings(
                new Air($traits->measured('fieldTemperature'), $traits->measured('fieldPressure')),
                $traits->measured('displayedVolume'),
                array_values(
                    array_filter(
                        [$traits->decimal('gaugeStart'), $traits->decimal('gaugeStop')],
                        static fn (?Decimal $gauge): bool => $gauge !== null,
                    ),
                ),
            ),
            $traits->text('purpose') === 'short-term',
        );
    }

    public function shipped(): array
    {
        $at = static fn (string $celsius): array => [
            'id' => 'conditions-'.$celsius,
            'name' => $celsius.' °C, 101.325 kPa',
            'conditions' => ['temperature' => ['value' => $celsius, 'unit' => '°C'], 'pressure' => ['value' => '101.325', 'unit' => 'kPa']],
            'source' => 'reference conditions, a choice',
            'mark' => 'common practice',
        ];

        return [
            'criteria' => [
                $at('25'),
                $at('20'),
                $at('0'),
                [
                    'id' => 'as-sampled',
                    'name' => 'as sampled',
                    'conditions' => [],
                    'source' => 'the conditions of the field',
                    'mark' => 'common practice',
                ],
            ],
            'limits' => [],
        ];
    }

    public function sets(): array
    {
        $at = static fn (string $id, string $title): YardstickSet => new YardstickSet(
            $id,
            'Air samples',
            $title,
            'reference conditions, a choice',
            [$id],
            oneOf: 'conditions',
        );

        return [
            $at('conditions-25', 'Volumes stated at 25 °C, 101.325 kPa'),
            $at('conditions-20', 'Volumes stated at 20 °C, 101.325 kPa'),
            $at('conditions-0', 'Volumes stated at 0 °C, 101.325 kPa'),
            $at('as-sampled', 'Volumes stated as sampled'),
        ];
    }

    public function quantities(array $criteria, array $substances): array
    {
        $quantities = [];
        foreach ($substances as $code => $name) {
            foreach (['twa' => 'TWA over 8 h', 'stel' => 'short-term'] as $key => $words) {
                array_push(
                    $quantities,
                    ['value' => $key.':'.$code, 'words' => $words.', '.$name, 'unit' => 'mg/m³'],
                    ['value' => $key.'-ppm:'.$code, 'words' => $words.', '.$name, 'unit' => 'ppm'],
                );
            }
        }
        $quantities[] = ['value' => 'mixture:solvents', 'words' => 'additive mixture "solvents"', 'unit' => ''];

        return $quantities;
    }

    public function criterion(): array
    {
        return [Entry::group('conditions', 'Conditions', Air::entries(), true)];
    }

    public function knowsCriterion(Fields $criterion): bool
    {
        return $criterion->has('conditions');
    }

    public function readCriterion(Fields $criterion): Criterion
    {
        $conditions = $criterion->object('conditions');
        $traits = EntryReader::read($criterion, $this->criterion())->group('conditions');
        self::absolute($conditions, 'pressure', $traits->measured('pressure'));
        $air = Air::of($traits);

        return new ReferenceConditions(
            $criterion->id('id'),
            $criterion->text('name'),
            $air->isKnown() ? $air : null,
            $criterion->text('source'),
            $criterion->choice('mark', SourceMark::class),
        );
    }

    private static function absolute(Fields $fields, string $name, ?\Footnote\Core\Quantity\Measured $pressure): void
    {
        if ($pressure !== null && $pressure->value->value->compareTo(\Footnote\Core\Quantity\Exact::zero()) <= 0) {
            throw new InvalidRecord(
                $fields->at($name).'/value',
                \sprintf('%s is no absolute pressure: it must be above zero.', $pressure->words()),
            );
        }
    }

    /** @return list<FlowRow> */
    private static function rows(Traits $told, string $name): array
    {
        return array_map(
            static fn (Traits $row): FlowRow => FlowRow::of($row, Provenance::from($row->text('provenance') ?? '')),
            $told->rows($name),
        );
    }
}
