<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogSketch;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\AcousticKit;
use Footnote\Core\Noise\AcousticRemark;
use Footnote\Core\Noise\AcousticSection;
use Footnote\Core\Noise\AcousticSheet;
use Footnote\Core\Noise\CalibratorStandIn;
use Footnote\Core\Noise\LevelColumn;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseRecordReader;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Noise\SeriesSketch;
use Footnote\Core\Noise\SetUp;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\BringsTotals;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\ExaminesUnits;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\KeepsShelves;
use Footnote\Core\Record\RunSurroundings;
use Footnote\Core\Record\SketchesLogs;
use Footnote\Core\Record\TranslatesAnswers;
use Footnote\Core\Sheet\ShipsSheets;
use Footnote\Core\StandIn\BringsStandIns;

/** Sound level meters in the record format. Their checks are those of every unit with a microphone. */
final readonly class MeterFormat implements
    ContentFormat,
    BringsTotals,
    SketchesLogs,
    ExaminesUnits,
    KeepsLogs,
    KeepsShelves,
    TranslatesAnswers,
    ShipsSheets,
    BringsStandIns
{
    private const CLOCK = '/^([01]?\d|2[0-3]):([0-5]\d)(?::([0-5]\d))?$/D';

    public function instrument(): array
    {
        return [
            Entry::choice('class', 'Class', ['1' => 'class 1', '2' => 'class 2'], true),
            AcousticKit::microphone(),
            Entry::text('microphoneModel', 'Microphone', help: 'Its code or number'),
            Entry::text('windscreen', 'Windscreen', help: 'The one that belongs to it'),
            Entry::text(
                'compensation',
                'Compensation for it',
                help: 'As the instrument names the setting that takes the windscreen into account',
            ),
            ...AcousticKit::electronics(),
        ];
    }

    public function checkInstrument(Fields $unit, Traits $traits): void
    {
        $low = $traits->decimal('rangeLow');
        $high = $traits->decimal('rangeHigh');
        if ($low !== null && $high !== null && $low->value->compareTo($high->value) >= 0) {
            throw new InvalidRecord($unit->at('rangeHigh'), 'must be above the lower end of the range.');
        }
    }

    public function interventions(): array
    {
        return AcousticKit::interventions();
    }

    public function logColumns(): array
    {
        return [...LevelColumn::cases(), BandColumn::Band];
    }

    public function logChannels(Instrument $unit, ColumnKind $kind): array
    {
        return $kind === BandColumn::Band ? array_map(static fn (OctaveBand $band): string => $band->value, OctaveBand::cases()) : [];
    }

    public function totals(): array
    {
        return AcousticKit::totals();
    }

    public function totalOfEachCriterion(): ?Entry
    {
        return null;
    }

    public function routines(): array
    {
        return [];
    }

    public function remarks(): array
    {
        return [AcousticRemark::MicrophoneCovered];
    }

    public function referenceKinds(): array
    {
        return [AcousticKit::calibrator()];
    }

    public function sketch(SeriesLog $log, int $most): LogSketch
    {
        return SeriesSketch::of($log, $most);
    }

    public function shelves(): array
    {
        return [SetUp::shelf(), PermissibleLevels::shelf()];
    }

    public function sheets(): array
    {
        return [AcousticSheet::template()];
    }

    public function standIns(): array
    {
        return [new CalibratorStandIn()];
    }

    public function section(): string
    {
        return AcousticSection::NAME;
    }

    public function check(): array
    {
        return AcousticSection::entries();
    }

    public function readCheck(Fields $check): CheckContent
    {
        return AcousticSection::read($check);
    }

    public function translate(array $answers): array
    {
        return AcousticSection::translate($answers);
    }

    public function describeCheck(CheckContent $content): array
    {
        return AcousticSection::describe($content);
    }

    public function usualMinutes(): ?int
    {
        return null;
    }

    public function run(?Instrument $unit = null): array
    {
        $task = Measures::Task->value;
        $spot = Measures::Spot->value;
        $room = Measures::Room->value;
        $decibels = static fn (string $name, string $label, string $help): Entry => Entry::each(
            $name,
            $label,
            OctaveBand::choices(),
            AcousticKit::LEAST,
            AcousticKit::MOST,
            LevelUnit::Decibel,
            $help,
        );

        return [
            Entry::choice(
                'measures',
                'What it measures',
                array_combine(
                    array_column(Measures::cases(), 'value'),
                    array_map(static fn (Measures $one): string => $one->words(), Measures::cases()),
                ),
                help: 'Not said: a place or a machine',
            ),
            Entry::decimal(
                'taskMinutes',
                'The task takes, a day',
                '0.1',
                '1440',
                CommonUnit::Minute,
                help: 'Of a working day, for L_EX,8h',
            )->onlyWith('measures', $task),
            Entry::decimal(
                'taskMinutesLeast',
                'at least',
                '0',
                '1440',
                CommonUnit::Minute,
                help: 'Where people say a range',
            )->onlyWith('measures', $task),
            Entry::decimal('taskMinutesMost', 'at most', '0', '1440', CommonUnit::Minute)->onlyWith('measures', $task),
            Entry::named('permissible', 'Permissible levels', 'library:'.PermissibleLevels::SHELF)->onlyWith('measures', $room),
            Entry::text(
                'notedStart',
                'Start noted by hand',
                help: 'hh:mm or hh:mm:ss, when the key was pressed',
            )->ofOneRun()->onlyWith('measures', $room),
            Entry::text(
                'fileStart',
                'Start by the instrument',
                help: 'hh:mm:ss that its file is named by; a log brings its own',
            )->atTheEnd()->onlyWith('measures', $room),
            Entry::choice('windscreen', 'Windscreen', ['on' => 'on', 'off' => 'off']),
            ...SetUp::stated(['exchangeRate', 'threshold'], false),
            $decibels('bands', 'Octave bands off the display', 'Where there is no log of them')
                ->atTheEnd()
                ->onlyWith('measures', $spot, $room),
            Entry::decimal(
                'background',
                'Background L_Aeq',
                AcousticKit::LEAST,
                AcousticKit::MOST,
                LevelUnit::DecibelA,
                help: 'With the source switched off',
            )->atTheEnd()->onlyWith('measures', $spot),
            $decibels('backgroundBands', 'Background, octave bands', 'With the source switched off')
                ->atTheEnd()
                ->onlyWith('measures', $spot),
        ];
    }

    public function readRun(Fields $run, RunSurroundings $around): RunContent
    {
        $traits = EntryReader::read($run, $this->run());
        $measures = Measures::tryFrom($traits->text('measures') ?? '') ?? Measures::Spot;
        if ($measures === Measures::Task) {
            $this->checkDuration($run, $traits);
        }
        $delay = $traits->decimal('setDelay');
        $stop = $run->optionalMoment('stop');
        if ($delay !== null && $stop !== null && $delay->value->toFloat() >= Span::secondsBetween($run->moment('start'), $stop)) {
            throw new InvalidRecord($run->at('setDelay'), 'is as long as the measurement: nothing of it would count.');
        }
        $code = $traits->text('permissible');
        $levels = $code === null
            ? null
            : ($around->library->find(PermissibleLevels::SHELF, $code) ?? throw new InvalidRecord(
                $run->at('permissible'),
                \sprintf('"%s" is not among the permissible levels.', $code),
            ));

        return new MeterRun(NoiseRecordReader::read($run, $around, $traits), new MeterRecord(
            $measures,
            $traits,
            $code === null || $levels === null ? null : new PermissibleLevels($code, $levels),
            $this->clock($run, $traits, 'notedStart'),
            $this->clock($run, $traits, 'fileStart'),
        ));
    }

    public function quantities(array $criteria, array $substances): array
    {
        return [
            ['value' => 'la-bands', 'words' => 'A-weighted total of bands', 'unit' => 'dB(A)'],
            ['value' => 'source', 'words' => 'level of a source without its background', 'unit' => 'dB(A)'],
            ['value' => 'source-bands', 'words' => 'level of a source without its background, from bands', 'unit' => 'dB(A)'],
        ];
    }

    private function checkDuration(Fields $run, Traits $traits): void
    {
        $minutes = $traits->decimal('taskMinutes') ?? throw new InvalidRecord(
            $run->at('taskMinutes'),
            'is missing: how long does the task take in a working day?',
        );
        $least = $traits->decimal('taskMinutesLeast');
        $most = $traits->decimal('taskMinutesMost');
        if (($least === null) !== ($most === null)) {
            throw new InvalidRecord(
                $run->at($least === null ? 'taskMinutesLeast' : 'taskMinutesMost'),
                'is missing: a range has two ends.',
            );
        }
        foreach ([
            ['taskMinutesLeast', $least, 1, 'is more than the task takes.'],
            ['taskMinutesMost', $most, -1, 'is less than the task takes.'],
        ] as [$field, $end, $wrong, $problem]) {
            if ($end !== null && $end->value->compareTo($minutes->value) === $wrong) {
                throw new InvalidRecord($run->at($field), $problem);
            }
        }
    }

    /** Seconds since midnight. */
    private function clock(Fields $run, Traits $traits, string $field): ?float
    {
        $written = $traits->text($field);
        if ($written === null) {
            return null;
        }
        if (preg_match(self::CLOCK, $written, $part) !== 1) {
            throw new InvalidRecord($run->at($field), \sprintf('"%s" is not a time of day such as 14:05 or 14:05:30.', $written));
        }

        return (float) ((int) $part[1] * 3600 + (int) $part[2] * 60 + (int) ($part[3] ?? 0));
    }
}
