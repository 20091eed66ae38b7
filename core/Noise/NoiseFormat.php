<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Log\LogColumnKind;
use Footnote\Core\Log\LogReader;
use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\UnreadableLog;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\AnswerRows;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\LogFormatReader;
use Footnote\Core\Record\ReferenceKind;
use Footnote\Core\Record\RunSurroundings;

/** Noise in the record format: acoustic checks, logs and totals, dose criteria. Levels lie between −20 and 200 dB. */
final readonly class NoiseFormat implements ContentFormat
{
    private const LEAST = '-20';
    private const MOST = '200';
    public const CALIBRATOR = 'acoustic-calibrator';
    private const DIAMETERS = ['1/4 in' => '1/4 in', '1/2 in' => '1/2 in', '1 in' => '1 in'];
    private const ANSWERS = ['nominal', 'entered', 'adapter', 'microphoneCorrection', 'pressureCorrection', 'factorBefore', 'factorAfter'];

    public function instrument(): array
    {
        return [
            Entry::choice('microphone', 'Microphone diameter', self::DIAMETERS),
            Entry::text('class', 'Class'),
            Entry::decimal('rangeLow', 'Range from', self::LEAST, self::MOST, Unit::Decibel),
            Entry::decimal('rangeHigh', 'Range to', self::LEAST, self::MOST, Unit::Decibel),
            Entry::decimal('resolution', 'Resolution', '0', '10', Unit::Decibel),
            Entry::flag('selfAdjusting', 'It adjusts itself when it hears the calibrator'),
        ];
    }

    public function checkInstrument(Fields $unit, Traits $traits): void
    {
    }

    public function interventions(): array
    {
        return [InterventionKind::Repaired, InterventionKind::MicrophoneExchanged, InterventionKind::FirmwareChanged, InterventionKind::FactoryReset, InterventionKind::CalibrationSetChanged, InterventionKind::LaboratoryCalibration];
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
        return [new ReferenceKind(self::CALIBRATOR, 'Acoustic calibrator', [Entry::several('adapters', 'Adapters', self::DIAMETERS)], [], Unit::Decibel, 'level', true, self::LEAST, self::MOST)];
    }

    public function shelves(): array
    {
        return [];
    }

    public function section(): string
    {
        return 'acoustic';
    }

    public function fromAnswers(array $answers): array
    {
        $acoustic = [];
        foreach (self::ANSWERS as $name) {
            if (\is_string($answers[$name] ?? null) && trim($answers[$name]) !== '') {
                $acoustic[$name] = $answers[$name];
            }
        }
        // The level is chosen together with the calibrator.
        if (\is_string($answers['setting'] ?? null) && $answers['setting'] !== '') {
            $acoustic['nominal'] = $answers['setting'];
        }
        $adjusted = ($answers['adjusted'] ?? null) === true;

        return [...$acoustic, 'asFound' => AnswerRows::of($answers['asFound'] ?? []), 'asLeft' => $adjusted ? AnswerRows::of($answers['asLeft'] ?? []) : [], 'adjusted' => $adjusted];
    }

    public function describeCheck(CheckContent $content): array
    {
        if (!$content instanceof AcousticCheck) {
            return [];
        }

        return [
            ['label' => 'Level dB', 'shown' => $content->nominal->written],
            ['label' => 'As found', 'shown' => $content->asFound !== [] || $content->factorBefore === null ? self::words($content->asFound) : \sprintf('factor %s to %s', $content->factorBefore->written, $content->factorAfter->written ?? '')],
            ['label' => 'As left', 'shown' => $content->wasAdjusted() ? self::words($content->asLeft) : 'as found'],
            ['label' => 'Adjusted', 'shown' => $content->wasAdjusted() ? 'yes' : 'no'],
        ];
    }

    public function run(?Instrument $unit = null): array
    {
        return [];
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
            array_push($quantities, ['value' => 'dose:'.$id, 'words' => 'dose by '.$id, 'unit' => '%'], ['value' => 'twa:'.$id, 'words' => 'TWA by '.$id, 'unit' => 'dB(A)']);
        }

        return $quantities;
    }

    public function knowsCriterion(Fields $criterion): bool
    {
        return $criterion->has('level');
    }

    public function readCheck(Fields $check): CheckContent
    {
        $fields = $check->object('acoustic');
        $adjusted = $fields->flag('adjusted');
        $asLeft = $this->readings($fields, 'asLeft');
        if (!$adjusted && $asLeft !== [] && !$fields->has('factorBefore')) {
            throw new InvalidRecord($fields->at('asLeft'), 'is for a unit that was adjusted; where nothing was adjusted, as left is as found.');
        }
        if ($fields->has('factorBefore') !== $fields->has('factorAfter')) {
            throw new InvalidRecord($fields->at($fields->has('factorBefore') ? 'factorAfter' : 'factorBefore'), 'is missing: the change of the factor needs both.');
        }

        return new AcousticCheck(
            $fields->decimal('nominal', self::LEAST, self::MOST),
            $this->readings($fields, 'asFound'),
            $asLeft,
            $adjusted,
            $fields->optionalDecimal('factorBefore', '-60', '60'),
            $fields->optionalDecimal('factorAfter', '-60', '60'),
            $fields->optionalDecimal('entered', self::LEAST, self::MOST),
            $fields->optionalDecimal('microphoneCorrection', '-20', '20'),
            $fields->optionalDecimal('pressureCorrection', '-20', '20'),
            $fields->optionalText('adapter', 20),
        );
    }

    public function readRun(Fields $run, RunSurroundings $around): RunContent
    {
        if ($around->stored instanceof SeriesLog) {
            return new NoiseRecord($around->stored, $this->totals($run->optionalObject('totals')), $around->logName);
        }
        $fields = $run->optionalObject('log');
        $read = null;
        if ($fields !== null && $around->lines !== null) {
            $format = (new LogFormatReader())->read($fields->object('format'));
            try {
                $read = (new LogReader($format))->read($around->lines, $around->zone, $fields->optionalMoment('start'));
            } catch (UnreadableLog $problem) {
                throw new InvalidRecord($fields->at('file'), $problem->getMessage());
            }
        }

        return new NoiseRecord($read, $this->totals($run->optionalObject('totals')), $around->logName);
    }

    public function readCriterion(Fields $criterion): Criterion
    {
        return new DoseCriterion(
            $criterion->id('id'),
            $criterion->text('name'),
            $criterion->decimal('level', '40', '140'),
            $criterion->decimal('exchangeRate', '2', '10'),
            $criterion->optionalDecimal('threshold', '0', '140'),
            $criterion->text('source'),
            $criterion->choice('mark', SourceMark::class),
        );
    }

    private function totals(?Fields $fields): ?NoiseTotals
    {
        if ($fields === null) {
            return null;
        }
        $doses = [];
        foreach ($fields->map('doses') as $criterion => $reading) {
            $doses[$criterion] = $this->reading(Fields::of($reading, $fields->at('doses').'/'.$criterion), '0', '100000');
        }
        $level = fn (string $name): ?Reading => ($object = $fields->optionalObject($name)) === null ? null : $this->reading($object, self::LEAST, self::MOST);

        return new NoiseTotals($level('equivalentLevel'), $level('peak'), $level('slowMaximum'), $doses);
    }

    /** @param list<Reading> $readings */
    private static function words(array $readings): string
    {
        return implode(', ', array_map(static fn (Reading $reading): string => $reading->value->written.($reading->provenance === Provenance::Typed ? '' : ' ('.$reading->provenance->value.')'), $readings));
    }

    /** @return list<Reading> */
    private function readings(Fields $fields, string $name): array
    {
        return array_map(fn (Fields $reading): Reading => $this->reading($reading, self::LEAST, self::MOST), $fields->objects($name));
    }

    private function reading(Fields $fields, string $least, string $most): Reading
    {
        return new Reading($fields->decimal('value', $least, $most), $fields->choice('provenance', Provenance::class));
    }
}
