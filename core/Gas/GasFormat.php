<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Air\Air;
use Footnote\Core\Air\Substances;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\CommonIntervention;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Reference;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\ChannelColumn;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\ExaminesUnits;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\KeepsShelves;
use Footnote\Core\Record\RunSurroundings;
use Footnote\Core\Record\ShipsYardsticks;
use Footnote\Core\Record\TellsWhatIsLeft;
use Footnote\Core\Record\YardstickSet;
use Footnote\Core\Sheet\ShipsSheets;
use Footnote\Core\StandIn\BringsStandIns;

/** Gas and vapour monitors in the record format: units with channels, bottles, checks, logs and totals. */
final readonly class GasFormat implements
    ContentFormat,
    TellsWhatIsLeft,
    ExaminesUnits,
    KeepsLogs,
    KeepsShelves,
    ShipsSheets,
    ShipsYardsticks,
    BringsStandIns
{
    /** Names of channels stand in figures, files and addresses. */
    private const NAME = '/^[A-Za-z][A-Za-z0-9 .-]{0,19}$/D';

    public function instrument(): array
    {
        return [
            Entry::flag('pumped', 'It has a pump', 'Else the gas diffuses in'),
            Entry::flag('fixed', 'It is fixed in place'),
            Entry::rows('channels', 'Channels', Channel::entries()),
        ];
    }

    public function checkInstrument(Fields $unit, Traits $traits): void
    {
        $seen = [];
        foreach ($traits->rows('channels') as $place => $row) {
            $name = $row->text('name') ?? '';
            if (preg_match(self::NAME, $name) !== 1) {
                throw new InvalidRecord(
                    $unit->at('channels').'/'.$place.'/name',
                    'must begin with a letter and hold letters, digits, blanks, points and hyphens, 20 at most.',
                );
            }
            if (isset($seen[$name])) {
                throw new InvalidRecord($unit->at('channels').'/'.$place.'/name', 'stands twice.');
            }
            if ($row->text('kind') === GasKind::Other->value && $row->text('gas') === null) {
                throw new InvalidRecord($unit->at('channels').'/'.$place.'/gas', 'is missing: name the gas.');
            }
            $kind = GasKind::tryFrom($row->text('kind') ?? '');
            if ($row->text('unit') === CommonUnit::MilligramPerCubicMetre->value
                && \in_array($kind, [GasKind::Oxygen, GasKind::Flammable, GasKind::Other], true)) {
                throw new InvalidRecord(
                    $unit->at('channels').'/'.$place.'/unit',
                    'cannot be mg/m³: cylinders name this gas in another unit, and its molar mass is not known. Set '
                        .'the channel to show ppm.',
                );
            }
            $fitted = $row->text('fitted');
            $day = $fitted === null ? null : \DateTimeImmutable::createFromFormat('!Y-m-d', $fitted);
            if ($day === false || ($day !== null && $day->format('Y-m-d') !== $fitted)) {
                throw new InvalidRecord($unit->at('channels').'/'.$place.'/fitted', 'must be a day such as 2026-03-01.');
            }
            $seen[$name] = true;
        }
        if ($seen === []) {
            throw new InvalidRecord($unit->at('channels'), 'is empty: name at least one channel.');
        }
    }

    public function usedUp(): array
    {
        return [Bottle::KIND];
    }

    public function left(Reference $reference, array $checks): ?string
    {
        $told = self::told($reference, $checks);
        $bottle = new Bottle($reference);

        return $told === null ? null : \sprintf(
            '%s on %s: %s L, %s min',
            $told['pressure']->words(),
            $told['check']->at->format('j M'),
            $bottle->litres($told['pressure'])?->rounded(0) ?? '?',
            $bottle->left($told['pressure'])?->shown() ?? '?',
        );
    }

    public function minutesLeft(Reference $reference, array $checks): ?Figure
    {
        $told = self::told($reference, $checks);

        return $told === null ? null : (new Bottle($reference))->left($told['pressure']);
    }

    /**
     * @param list<Check> $checks
     *
     * @return array{check: Check, pressure: Measured}|null the newest that tells its pressure, where that says how much is left
     */
    private static function told(Reference $reference, array $checks): ?array
    {
        $bottle = new Bottle($reference);
        foreach ($checks as $check) {
            $content = $check->content;
            $pressure = !$content instanceof GasCheck
                ? null
                : ($check->reference === $reference->id ? $content->bottlePressure : $content->isobutylene->pressure);
            if ($pressure !== null && $bottle->left($pressure) !== null) {
                return ['check' => $check, 'pressure' => $pressure];
            }
        }

        return null;
    }

    public function routines(): array
    {
        return GasRoutine::cases();
    }

    public function remarks(): array
    {
        return [];
    }

    public function referenceKinds(): array
    {
        return [Bottle::kind()];
    }

    public function shelves(): array
    {
        return [Substances::shelf()];
    }

    public function interventions(): array
    {
        return [
            GasIntervention::Rezeroed,
            GasIntervention::SensorExchanged,
            GasIntervention::LampExchanged,
            GasIntervention::FilterExchanged,
            CommonIntervention::Repaired,
            CommonIntervention::FirmwareChanged,
            CommonIntervention::FactoryReset,
            CommonIntervention::CalibrationSetChanged,
            CommonIntervention::LaboratoryCalibration,
        ];
    }

    public function logColumns(): array
    {
        return ChannelColumn::cases();
    }

    public function logChannels(Instrument $unit, ColumnKind $kind): array
    {
        return $kind->hasChannel() ? array_map(static fn (Channel $channel): string => $channel->name, Channel::of($unit)) : [];
    }

    public function sheets(): array
    {
        return [GasSheet::template()];
    }

    public function standIns(): array
    {
        return [new MonitorStandIn()];
    }

    public function section(): string
    {
        return 'gas';
    }

    public function check(): array
    {
        return self::entries();
    }

    /** @return list<Entry> what the section of a check holds */
    public static function entries(): array
    {
        return [
            Entry::text('procedure', 'Procedure'),
            Entry::choice('zeroSource', 'Zeroed in', ZeroSource::choices()),
            Entry::named('zeroBottle', 'Cylinder of zero air', 'reference:'.Bottle::KIND, help: 'Where it is one'),
            Entry::named('isobutyleneBottle', 'Cylinder of isobutylene', 'reference:'.Bottle::KIND),
            Entry::measured('bottlePressure', 'Pressure of the cylinder', Bottle::PRESSURES),
            Entry::measured('isobutylenePressure', 'Pressure of the cylinder of isobutylene', Bottle::PRESSURES),
            Entry::measured('temperature', 'Temperature here', Air::TEMPERATURES),
            ...array_merge(
                ...array_map(
                    static fn (GasStage $stage): array => [
                        Entry::rows($stage->found(), '', GasRow::entries()),
                        Entry::rows($stage->left(), '', GasRow::entries())->onlyWith($stage->adjusted()),
                        Entry::flag($stage->adjusted(), ''),
                    ],
                    GasStage::cases(),
                ),
            ),
            Entry::rows(GasProcedures::PURGED, 'Back in clean air', GasRow::entries()),
        ];
    }

    public function readCheck(Fields $check): CheckContent
    {
        $fields = $check->object('gas');
        $traits = EntryReader::read($fields, $this->check());
        $rowsOf = static fn (string $list): array => array_values(array_filter(array_map(GasRow::of(...), $traits->rows($list))));
        $rows = [GasProcedures::PURGED => $rowsOf(GasProcedures::PURGED)];
        $adjusted = [];
        foreach (GasStage::cases() as $stage) {
            foreach ([$stage->found(), $stage->left()] as $list) {
                $rows[$list] = $rowsOf($list);
            }
            if ($traits->flag($stage->adjusted())) {
                $adjusted[] = $stage->value;
            } elseif ($rows[$stage->left()] !== []) {
                throw new InvalidRecord(
                    $fields->at($stage->left()),
                    'is for an instrument that was adjusted; where nothing was adjusted, as left is as found.',
                );
            }
        }

        return new GasCheck(
            $traits->text('procedure') ?? '',
            new CleanAir(ZeroSource::tryFrom($traits->text('zeroSource') ?? ''), $traits->text('zeroBottle')),
            new OtherBottle($traits->text('isobutyleneBottle'), $traits->measured('isobutylenePressure')),
            $traits->measured('bottlePressure'),
            $traits->measured('temperature'),
            $rows,
            $adjusted,
        );
    }

    public function describeCheck(CheckContent $content): array
    {
        if ($content instanceof ChannelCheck) {
            $content = $content->whole;
        }
        if (!$content instanceof GasCheck) {
            return [];
        }
        $words = static fn (string $list): string => implode(
            ', ',
            array_map(
                static fn (GasRow $row): string => $row->channel.' '.$row->value->written
                    .($row->struck === null ? '' : ' (struck out)')
                    .($row->provenance === Provenance::Typed ? '' : ' ('.$row->provenance->words().')'),
                $content->rows[$list] ?? [],
            ),
        );
        $lines = [['label' => 'Clean air', 'shown' => $content->zero->source->value ?? 'not said']];
        foreach (GasStage::cases() as $stage) {
            if (($content->rows[$stage->found()] ?? []) !== [] || $content->wasAdjustedAt($stage)) {
                $lines[] = ['label' => ucfirst($stage->value).' as found', 'shown' => $words($stage->found())];
                $lines[] = [
                    'label' => ucfirst($stage->value).' as left',
                    'shown' => $content->wasAdjustedAt($stage) ? $words($stage->left()) : 'as found',
                ];
            }
        }

        if (($content->rows[GasProcedures::PURGED] ?? []) !== []) {
            $lines[] = ['label' => 'Back in clean air', 'shown' => $words(GasProcedures::PURGED)];
        }

        return $lines;
    }

    public function usualMinutes(): int
    {
        return 480;
    }

    public function run(?Instrument $unit = null): array
    {
        $names = $unit === null ? [] : $this->logChannels($unit, ChannelColumn::Reading);

        return [
            Entry::rows('channels', 'Channels', [
                $names === []
                    ? Entry::text('channel', 'Channel', true)
                    : Entry::choice('channel', 'Channel', array_combine($names, $names), true),
                Entry::named('substance', 'Vapour or gas that was there', 'library:'.Substances::SHELF),
                Entry::decimal('unitFactor', 'Factor set on the instrument', '0.01', '1000', help: 'Empty: 1, it shows isobutylene units'),
                Entry::decimal('handFactor', 'Multiplied by hand with', '0.01', '1000', help: 'Empty: not at all')->atTheEnd(),
                Entry::choice('shownIn', 'Instrument was set to', ['as registered' => 'its usual unit', 'mg/m³' => 'mg/m³']),
                Entry::decimal('mean', 'Mean (TWA) on the display', '-1000000', '1000000')->atTheEnd(),
                Entry::decimal('shortTerm', 'STEL on the display', '-1000000', '1000000')->atTheEnd(),
                Entry::decimal('peak', 'Peak on the display', '-1000000', '1000000')->atTheEnd(),
                Entry::decimal('lowest', 'Lowest on the display', '-1000000', '1000000')->atTheEnd(),
            ], help: 'What was there, and how the instrument was set; the display only where there is no log'),
            ...Air::inTheField(),
            Entry::flag('wrapped', 'Its memory was full and began anew', 'The beginning of the log is lost')->atTheEnd(),
        ];
    }

    public function readRun(Fields $run, RunSurroundings $around): RunContent
    {
        $traits = EntryReader::read($run, $this->run());
        $channels = [];
        foreach ($traits->rows('channels') as $place => $row) {
            $name = $row->text('channel') ?? '';
            if (isset($channels[$name])) {
                throw new InvalidRecord($run->at('channels').'/'.$place.'/channel', 'stands twice.');
            }
            $code = $row->text('substance');
            $known = $code === null
                ? null
                : ($around->library->find(Substances::SHELF, $code) ?? throw new InvalidRecord(
                    $run->at('channels').'/'.$place.'/substance',
                    \sprintf('"%s" is not in the library of substances.', $code),
                ));
            $parts = [];
            foreach ($known?->rows('parts') ?? [] as $part) {
                $of = $part->text('substance') ?? '';
                $parts[] = [
                    'share' => $part->decimal('share') ?? Decimal::parse('0'),
                    'known' => $around->library->find(Substances::SHELF, $of) ?? throw new InvalidRecord(
                        $run->at('channels').'/'.$place.'/substance',
                        \sprintf('"%s" is a mixture with "%s", which is not in the library of substances.', $code, $of),
                    ),
                ];
            }
            $channels[$name] = new ChannelRecord(
                $name,
                $code,
                $known,
                new UnitSetting($row->decimal('unitFactor'), $row->decimal('handFactor'), $row->text('shownIn') === 'mg/m³'),
                new ChannelTotals($row->decimal('mean'), $row->decimal('shortTerm'), $row->decimal('peak'), $row->decimal('lowest')),
                $parts,
            );
        }

        return new GasRecord($around->log($run), $around->logName(), $channels, Air::of($traits, 'field'), $traits->flag('wrapped'));
    }

    /** Oxygen alone: of flammable gas a tenth of the limit means nothing before somebody says what gas 100 % stands for. */
    public function shipped(): array
    {
        $oxygen = static fn (string $id, string $title, string $quantity, string $value, string $comparator): array => [
            'id' => $id,
            'title' => $title,
            'quantity' => $quantity,
            'value' => $value,
            'unit' => '% vol',
            'comparator' => $comparator,
            'scope' => 'at any time',
            'source' => '29 CFR 1910.146(b)',
            'mark' => 'from memory',
        ];

        return [
            'criteria' => [],
            'limits' => [
                $oxygen('oxygen-least', 'too little oxygen', 'lowest:oxygen', '19.5', '<'),
                $oxygen('oxygen-most', 'too much oxygen', 'peak:oxygen', '23.5', '>'),
            ],
        ];
    }

    public function sets(): array
    {
        return [
            new YardstickSet(
                'oxygen-us',
                'Oxygen',
                'United States: atmosphere of a permit space; no clearance to enter',
                '29 CFR 1910.146(b)',
                [],
                ['oxygen-least', 'oxygen-most'],
            ),
        ];
    }

    public function quantities(array $criteria, array $substances): array
    {
        $quantities = [
            ['value' => 'lowest:oxygen', 'words' => 'lowest oxygen', 'unit' => '% vol'],
            ['value' => 'peak:oxygen', 'words' => 'highest oxygen', 'unit' => '% vol'],
            ['value' => 'peak:flammable', 'words' => 'highest flammable gas', 'unit' => '% LEL'],
        ];
        foreach ($substances as $code => $name) {
            $quantities[] = ['value' => 'peak-ppm:'.$code, 'words' => 'peak, '.$name, 'unit' => 'ppm'];
        }

        return $quantities;
    }
}
