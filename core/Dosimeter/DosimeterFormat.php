<?php

declare(strict_types=1);

namespace Footnote\Core\Dosimeter;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Log\ColumnKind;
use Footnote\Core\Log\LogSketch;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Noise\AcousticKit;
use Footnote\Core\Noise\AcousticRemark;
use Footnote\Core\Noise\AcousticSection;
use Footnote\Core\Noise\AcousticSheet;
use Footnote\Core\Noise\CalibratorStandIn;
use Footnote\Core\Noise\DoseCriterion;
use Footnote\Core\Noise\LevelColumn;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseRecordReader;
use Footnote\Core\Noise\SeriesSketch;
use Footnote\Core\Noise\SetUp;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\BringsTotals;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\HasCriteria;
use Footnote\Core\Record\KeepsLogs;
use Footnote\Core\Record\KeepsShelves;
use Footnote\Core\Record\RunSurroundings;
use Footnote\Core\Record\ShipsYardsticks;
use Footnote\Core\Record\SketchesLogs;
use Footnote\Core\Record\TranslatesAnswers;
use Footnote\Core\Record\YardstickSet;
use Footnote\Core\Sheet\ShipsSheets;
use Footnote\Core\StandIn\BringsStandIns;

/** Noise dosimeters in the record format: acoustic checks, logs and totals, dose criteria. */
final readonly class DosimeterFormat implements
    ContentFormat,
    BringsTotals,
    SketchesLogs,
    KeepsLogs,
    KeepsShelves,
    ShipsYardsticks,
    HasCriteria,
    TranslatesAnswers,
    ShipsSheets,
    BringsStandIns
{
    public function instrument(): array
    {
        return [AcousticKit::microphone(), Entry::text('class', 'Class'), ...AcousticKit::electronics()];
    }

    public function interventions(): array
    {
        return AcousticKit::interventions();
    }

    public function logColumns(): array
    {
        return LevelColumn::cases();
    }

    public function logChannels(Instrument $unit, ColumnKind $kind): array
    {
        return [];
    }

    public function totals(): array
    {
        return AcousticKit::totals();
    }

    public function totalOfEachCriterion(): Entry
    {
        return Entry::decimal('doses', 'Dose', '0', '100000', CommonUnit::Percent);
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
        return [SetUp::shelf()];
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

    public function translate(array $answers): array
    {
        return AcousticSection::translate($answers);
    }

    public function describeCheck(CheckContent $content): array
    {
        return AcousticSection::describe($content);
    }

    public function check(): array
    {
        return AcousticSection::entries();
    }

    public function readCheck(Fields $check): CheckContent
    {
        return AcousticSection::read($check);
    }

    public function readRun(Fields $run, RunSurroundings $around): RunContent
    {
        return NoiseRecordReader::read($run, $around, EntryReader::read($run, $this->run()));
    }

    public function usualMinutes(): int
    {
        return 480;
    }

    public function run(?Instrument $unit = null): array
    {
        return SetUp::stated(['bands', 'bandWeighting', 'statistic', 'compensation', 'integration'], true);
    }

    public function shipped(): array
    {
        /** @var array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>} */
        return json_decode((string) file_get_contents(__DIR__.'/shipped-criteria.json'), true, 32, \JSON_THROW_ON_ERROR);
    }

    /** A dosimeter at the shoulder cannot be set against what holds behind hearing protection without a qualification: in none of them. */
    public function sets(): array
    {
        return [
            new YardstickSet(
                'noise-eu',
                'Noise',
                'European Union: action values',
                'Directive 2003/10/EC',
                [],
                ['eu-lower', 'eu-upper', 'eu-lower-peak', 'eu-upper-peak'],
            ),
            new YardstickSet(
                'noise-us',
                'Noise',
                'United States: permissible exposure and action level',
                '29 CFR 1910.95',
                ['pel', 'hc'],
                ['pel-dose', 'action-dose', 'ceiling', 'peak-140'],
            ),
            new YardstickSet('noise-niosh', 'Noise', 'Recommended exposure limit', 'NIOSH 98-126', ['rel'], ['rel-dose']),
        ];
    }

    public function quantities(array $criteria, array $substances): array
    {
        $quantities = [
            ['value' => 'lex8h', 'words' => 'L_EX,8h', 'unit' => 'dB(A)'],
            ['value' => 'laeq', 'words' => 'L_Aeq', 'unit' => 'dB(A)'],
            ['value' => 'lcpeak', 'words' => 'L_Cpeak', 'unit' => 'dB(C)'],
            ['value' => 'lasmax', 'words' => 'L_ASmax', 'unit' => 'dB(A)'],
        ];
        foreach ($criteria as $id) {
            array_push(
                $quantities,
                ['value' => 'dose:'.$id, 'words' => 'dose by '.$id, 'unit' => '%'],
                ['value' => 'twa:'.$id, 'words' => 'TWA by '.$id, 'unit' => 'dB(A)'],
            );
        }

        return $quantities;
    }

    public function criterion(): array
    {
        return [
            Entry::decimal('level', 'Criterion level', '40', '140', LevelUnit::Decibel, true),
            Entry::decimal('exchangeRate', 'Exchange rate', '2', '10', LevelUnit::Decibel, true),
            Entry::decimal('threshold', 'Threshold', '0', '140', LevelUnit::Decibel),
        ];
    }

    public function knowsCriterion(Fields $criterion): bool
    {
        return $criterion->has('level');
    }

    public function readCriterion(Fields $criterion): Criterion
    {
        $told = EntryReader::read($criterion, $this->criterion());

        return new DoseCriterion(
            $criterion->id('id'),
            $criterion->text('name'),
            $told->decimal('level') ?? throw new \LogicException('It is required.'),
            $told->decimal('exchangeRate') ?? throw new \LogicException('It is required.'),
            $told->decimal('threshold'),
            $criterion->text('source'),
            $criterion->choice('mark', SourceMark::class),
        );
    }
}
