<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\Substances;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\CommonIntervention;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\ChannelColumn;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\ExaminesUnits;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\KeepsShelves;
use Footnote\Core\Record\ReadingEntries;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Record\RunSurroundings;
use Footnote\Core\Sheet\ShipsSheets;
use Footnote\Core\StandIn\BringsStandIns;

/** Particle counters and dust monitors in the record format. */
final readonly class ParticleFormat implements ContentFormat, ExaminesUnits, KeepsLogs, KeepsShelves, ShipsSheets, BringsStandIns
{
    public const STANDARD = 'counter-flow-standard';
    public const FLOWS = [CommonUnit::LitrePerMinute, CommonUnit::MillilitrePerMinute, CommonUnit::CubicFootPerMinute];

    /** The one channel of a photometer. */
    public const DUST = 'dust';

    private const FLAGS = ['flowAdjusted' => 'flowLeft', 'zeroAdjusted' => 'zeroLeft'];

    public function instrument(): array
    {
        return [
            Entry::choice('kind', 'Kind', ParticleUnit::kinds(), true),
            Entry::measured('nominalFlow', 'Nominal flow', self::FLOWS, true),
            Entry::rows(
                'sizes',
                'Sizes',
                [Entry::decimal('size', 'From', '0.01', '1000', CommonUnit::Micrometre, true)],
                'Of a counter: the sizes that it tells apart, as its log names them',
            ),
            Entry::flag('cumulative', 'Its log holds all particles from a size up', 'Else each column holds those between two sizes'),
            Entry::decimal(
                'deadTime',
                'Dead time τ',
                '0',
                '100000',
                CommonUnit::None,
                help: 'In µs; 10 % loss at 70 per cm³ and 2.83 L/min means 32',
            ),
            Entry::decimal(
                'backgroundLimit',
                'Counts a minute allowed in clean air',
                '0',
                '1000000',
                help: 'By its maker; empty: the policy\'s',
            ),
        ];
    }

    public function checkInstrument(Fields $unit, Traits $traits): void
    {
        $sizes = array_map(static fn (Traits $row): string => $row->decimal('size')->written ?? '', $traits->rows('sizes'));
        if ($traits->text('kind') !== ParticleUnit::PHOTOMETER && $sizes === []) {
            throw new InvalidRecord($unit->at('sizes'), 'is empty: name at least one size.');
        }
        for ($i = 1; $i < \count($sizes); ++$i) {
            if ((float) $sizes[$i] <= (float) $sizes[$i - 1]) {
                throw new InvalidRecord($unit->at('sizes').'/'.$i.'/size', 'must be larger than the one before.');
            }
        }
        if ($traits->measured('nominalFlow')?->value->value->isZero() === true) {
            throw new InvalidRecord($unit->at('nominalFlow').'/value', 'must be above zero: a flow of zero is no flow.');
        }
    }

    public function interventions(): array
    {
        return [
            CommonIntervention::Repaired,
            ParticleIntervention::SensorExchanged,
            ParticleIntervention::FilterExchanged,
            ParticleIntervention::Rezeroed,
            CommonIntervention::FirmwareChanged,
            CommonIntervention::FactoryReset,
            CommonIntervention::CalibrationSetChanged,
            CommonIntervention::LaboratoryCalibration,
        ];
    }

    public function logColumns(): array
    {
        return [CountColumn::Counts, ChannelColumn::Reading];
    }

    public function logChannels(Instrument $unit, ColumnKind $kind): array
    {
        return match (true) {
            $unit->traits->text('kind') !== ParticleUnit::PHOTOMETER => $kind === CountColumn::Counts ? ParticleUnit::sizes($unit) : [],
            default => $kind === CountColumn::Counts ? [] : [self::DUST],
        };
    }

    public function routines(): array
    {
        return [];
    }

    public function remarks(): array
    {
        return [];
    }

    public function referenceKinds(): array
    {
        return [
            new ReferenceKind(
                self::STANDARD,
                'Flow standard of counters',
                [Entry::measured('rangeLow', 'Flow from', self::FLOWS), Entry::measured('rangeHigh', 'Flow to', self::FLOWS)],
                constants: [Entry::decimal('uncertaintyPercent', 'Uncertainty ±', '0', '100', CommonUnit::Percent)],
                error: CommonUnit::Percent,
            ),
            Spheres::kind(),
        ];
    }

    public function shelves(): array
    {
        return [Substances::shelf()];
    }

    public function sheets(): array
    {
        return ParticleSheet::templates();
    }

    public function standIns(): array
    {
        return [new CounterStandIn()];
    }

    public function section(): string
    {
        return 'particle';
    }

    public function check(): array
    {
        return self::entries();
    }

    /** @return list<Entry> what the section of a check holds */
    public static function entries(): array
    {
        $row = static fn (string $list, Entry ...$entries): Entry => Entry::rows(
            $list,
            '',
            [...array_values($entries), ...ReadingEntries::how(), Entry::text('struck', '')],
        );
        $flow = static fn (string $list): Entry => $row($list, ...self::flowColumns());

        return [
            Entry::text('procedure', ''), Entry::text('setting', ''),
            $flow('flowFound'), $flow('flowLeft'), Entry::flag('flowAdjusted', ''),
            Entry::decimal('cell', 'Cell', '0', '200', CommonUnit::Percent),
            Entry::decimal('cellLeft', 'Cell after cleaning', '0', '200', CommonUnit::Percent),
            Entry::flag('cellAdjusted', 'Its voltage was adjusted'),
            Entry::decimal('laser', 'Laser', '0', '500', CommonUnit::Percent),
            Entry::decimal('blankMinutes', 'Counted for', '0.1', '1440', CommonUnit::Minute),
            $row('blankFound', Entry::text('size', 'From', true)->filledIn(), self::counts()),
            $row('zeroFound', self::shows()),
            $row('zeroLeft', self::shows()),
            Entry::flag('zeroAdjusted', ''),
            ...self::sphereEntries(),
            ...self::periodEntries(),
        ];
    }

    public static function counts(): Entry
    {
        return Entry::decimal('value', 'Counts', '0', '100000000', required: true);
    }

    public static function shows(): Entry
    {
        return Entry::decimal('value', 'Shows', '-1000', '100000', CommonUnit::MilligramPerCubicMetre, true);
    }

    /** @return non-empty-list<Entry> */
    public static function flowColumns(): array
    {
        return [
            Entry::measured('value', 'Flow', self::FLOWS),
            Entry::measured('volume', 'or volume', [CommonUnit::Millilitre, CommonUnit::Litre]),
            Entry::decimal('seconds', 'in', '0.1', '86400', CommonUnit::Second),
            Entry::decimal('mark', 'Mark', '-1000', '100000', help: 'Of the float, where it has one'),
        ];
    }

    /** @return non-empty-list<Entry> */
    public static function sphereEntries(): array
    {
        return [
            Entry::named('lot', 'Lot of spheres', 'reference:'.Spheres::KIND),
            Entry::decimal('threshold', 'Half are counted at', '0.01', '1000', CommonUnit::Micrometre, help: 'The half-count point'),
            Entry::measured('spike', 'Suspension put in', [CommonUnit::Millilitre]),
            Entry::measured('jug', 'into water', [CommonUnit::Millilitre, CommonUnit::Litre]),
            Entry::decimal('observed', 'Counted per mL', '0', '100000000'),
        ];
    }

    /** @return non-empty-list<Entry> */
    public static function periodEntries(): array
    {
        return [
            Entry::decimal('periodWas', 'Sample period was', '0.1', '86400', CommonUnit::Second),
            Entry::decimal('periodNow', 'and is now', '0.1', '86400', CommonUnit::Second),
        ];
    }

    public function readCheck(Fields $check): CheckContent
    {
        $fields = $check->object('particle');
        $traits = EntryReader::read($fields, $this->check());
        foreach (['flowFound', 'flowLeft'] as $list) {
            foreach ($traits->rows($list) as $place => $row) {
                if ($row->measured('value') === null && ($row->measured('volume') === null || $row->decimal('seconds') === null)) {
                    throw new InvalidRecord($fields->at($list).'/'.$place, 'holds neither a flow nor a volume with its seconds.');
                }
            }
        }
        foreach (self::FLAGS as $flag => $list) {
            if (!$traits->flag($flag) && $traits->rows($list) !== []) {
                throw new InvalidRecord(
                    $fields->at($list),
                    'is for an instrument that was adjusted; where nothing was adjusted, as left is as found.',
                );
            }
        }
        foreach ($traits->rows('blankFound') as $place => $row) {
            if ($row->decimal('value')?->decimals() > 0) {
                throw new InvalidRecord(
                    $fields->at('blankFound').'/'.$place.'/value',
                    'must be a whole number: what was counted in all the minutes, not a mean.',
                );
            }
        }
        if ($traits->rows('blankFound') !== [] && $traits->decimal('blankMinutes') === null) {
            throw new InvalidRecord($fields->at('blankMinutes'), 'is missing: how long were they counted?');
        }

        return new ParticleCheck($traits);
    }

    public function describeCheck(CheckContent $content): array
    {
        if (!$content instanceof ParticleCheck) {
            return [];
        }
        $lines = [];
        foreach ([
            'flowFound' => 'Flow as found',
            'flowLeft' => 'Flow as left',
            'blankFound' => 'Clean',
            'zeroFound' => 'Zero as found',
            'zeroLeft' => 'Zero as left',
        ] as $list => $label) {
            if ($content->written->rows($list) !== []) {
                $lines[] = [
                    'label' => $label,
                    'shown' => implode(
                        ', ',
                        array_map(
                            static fn (Traits $row): string => trim(
                                ($row->text('size') === null ? '' : $row->text('size').' µm: ').($row->shown('value') ?? trim(
                                    ($row->shown('volume') ?? '').' in '.($row->shown('seconds') ?? '').' s',
                                )).($row->text('struck') === null ? '' : ' (struck out)'),
                            ),
                            $content->written->rows($list),
                        ),
                    ),
                ];
            }
        }
        foreach (['cell' => 'Cell %', 'laser' => 'Laser %', 'lot' => 'Spheres', 'threshold' => 'Half at µm'] as $name => $label) {
            if ($content->written->shown($name) !== null) {
                $lines[] = ['label' => $label, 'shown' => $content->written->shown($name)];
            }
        }

        return $lines;
    }

    public function usualMinutes(): int
    {
        return 480;
    }

    public function run(?Instrument $unit = null): array
    {
        $counter = [
            Entry::decimal(
                'sampleSeconds',
                'Length of a sample',
                '0.1',
                '86400',
                CommonUnit::Second,
                help: 'Where it samples for a part of its interval; empty: all of it',
            ),
            Entry::decimal(
                'diluted',
                'Through a diluter, from the smallest size up',
                '0',
                '1000000000',
                CountUnit::PerCubicCentimetre,
                help: 'Told as without it: only this shows whether most of the particles hide each other',
            ),
        ];
        $dust = [
            Entry::named('substance', 'Dust', 'library:'.Substances::SHELF),
            Entry::decimal(
                'weighed',
                'Filter of the same period',
                '0',
                '100000',
                CommonUnit::MilligramPerCubicMetre,
                help: 'Weighed, as a concentration',
            ),
            Entry::text('weighedFrom', 'from', help: 'The sample or report that it comes from'),
            Entry::decimal('photometerFactor', 'or factor from another day', '0.01', '1000'),
        ];

        return match ($unit?->traits->text('kind')) {
            null => [...$counter, ...$dust, ...Air::inTheField()],
            ParticleUnit::PHOTOMETER => [...$dust, ...Air::inTheField()],
            default => [...$counter, ...Air::inTheField()],
        };
    }

    public function readRun(Fields $run, RunSurroundings $around): RunContent
    {
        $traits = EntryReader::read($run, $this->run());
        $code = $traits->text('substance');
        $substance = $code === null
            ? null
            : ($around->library->find(Substances::SHELF, $code) ?? throw new InvalidRecord(
                $run->at('substance'),
                \sprintf('"%s" is not in the library of substances.', $code),
            ));

        return new ParticleRecord($around->log($run), $around->logName(), $traits, $substance);
    }

    public function quantities(array $criteria, array $substances): array
    {
        return array_map(
            static fn (string $size): array => ['value' => 'count:'.$size, 'words' => 'particles from '.$size.' µm up', 'unit' => '/cm³'],
            ['0.3', '0.5', '1.0', '3.0', '5.0', '10'],
        );
    }
}
