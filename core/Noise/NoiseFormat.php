<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Log\LogColumnKind;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\EntryReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Record\RunSurroundings;

/** Noise in the record format: acoustic checks, logs and totals, dose criteria. Levels lie between −20 and 200 dB. */
final readonly class NoiseFormat implements ContentFormat
{
    public const LEAST = '-20';
    public const MOST = '200';
    public const CALIBRATOR = 'acoustic-calibrator';
    public const DIAMETERS = ['1/4 in' => '1/4 in', '1/2 in' => '1/2 in', '1 in' => '1 in'];

    public function instrument(): array
    {
        return [
            Entry::choice('microphone', 'Microphone diameter', self::DIAMETERS),
            Entry::text('class', 'Class'),
            Entry::decimal('rangeLow', 'Range from', self::LEAST, self::MOST, Unit::Decibel),
            Entry::decimal('rangeHigh', 'Range to', self::LEAST, self::MOST, Unit::Decibel),
            Entry::decimal('peakRange', 'Peaks to', self::LEAST, self::MOST, Unit::Decibel, help: 'Empty: as its range'),
            Entry::decimal('resolution', 'Resolution', '0', '10', Unit::Decibel),
            Entry::flag('selfAdjusting', 'It adjusts itself when it hears the calibrator'),
            Entry::choice(
                'factorIs',
                'Its stored factor is',
                [AcousticResponse::ADDED => 'added to the reading', AcousticResponse::SENSITIVITY => 'a sensitivity, dB re 1 V/Pa'],
            ),
            Entry::flag('notAdjustable', 'It cannot be adjusted'),
        ];
    }

    public function checkInstrument(Fields $unit, Traits $traits): void
    {
    }

    public function interventions(): array
    {
        return [
            InterventionKind::Repaired,
            InterventionKind::MicrophoneExchanged,
            InterventionKind::FirmwareChanged,
            InterventionKind::FactoryReset,
            InterventionKind::CalibrationSetChanged,
            InterventionKind::LaboratoryCalibration,
        ];
    }

    public function logColumns(): array
    {
        return LogColumnKind::NOISE;
    }

    public function logChannels(Instrument $unit): array
    {
        return [];
    }

    public function referenceKinds(): array
    {
        return [
            new ReferenceKind(
                self::CALIBRATOR,
                'Acoustic calibrator',
                [Entry::several('adapters', 'Adapters', self::DIAMETERS)],
                [],
                Unit::Decibel,
                'level',
                true,
                self::LEAST,
                self::MOST,
                Unit::Decibel,
            ),
        ];
    }

    public function shelves(): array
    {
        return [SetUp::shelf()];
    }

    public function section(): string
    {
        return AcousticSection::NAME;
    }

    public function fromAnswers(array $answers): array
    {
        return AcousticSection::fromAnswers($answers);
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

    public function run(?Instrument $unit = null): array
    {
        return SetUp::stated(['bands', 'bandWeighting', 'statistic', 'compensation', 'integration'], true);
    }

    public function shipped(): array
    {
        /** @var array{criteria: list<array<string, mixed>>, limits: list<array<string, mixed>>} */
        return json_decode((string) file_get_contents(__DIR__.'/shipped-criteria.json'), true, 32, \JSON_THROW_ON_ERROR);
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
            Entry::decimal('level', 'Criterion level', '40', '140', Unit::Decibel, true),
            Entry::decimal('exchangeRate', 'Exchange rate', '2', '10', Unit::Decibel, true),
            Entry::decimal('threshold', 'Threshold', '0', '140', Unit::Decibel),
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
