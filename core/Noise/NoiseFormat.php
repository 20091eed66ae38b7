<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\SourceMark;
use Footnote\Core\Evidence\CheckContent;
use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Reading;
use Footnote\Core\Evidence\RunContent;
use Footnote\Core\Judgement\Criterion;
use Footnote\Core\Record\ContentFormat;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\LogFormatReader;

/** Noise in the record format: acoustic checks, logs and totals, dose criteria. Levels lie between −20 and 200 dB. */
final readonly class NoiseFormat implements ContentFormat
{
    private const LEAST = '-20';
    private const MOST = '200';

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

    public function readRun(Fields $run, ?iterable $log, string $logName, \DateTimeZone $zone): RunContent
    {
        $fields = $run->optionalObject('log');
        $read = null;
        if ($fields !== null && $log !== null) {
            $format = (new LogFormatReader())->read($fields->object('format'));
            try {
                $read = (new LogReader($format))->read($log, $zone, $fields->optionalMoment('start'));
            } catch (UnreadableLog $problem) {
                throw new InvalidRecord($fields->at('file'), $problem->getMessage());
            }
        }

        return $this->content($run, $read, $logName);
    }

    /** The same with a log that is packed already. */
    public function content(Fields $run, ?LevelLog $log, string $logName): NoiseRecord
    {
        return new NoiseRecord($log, $this->totals($run->optionalObject('totals')), $logName);
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
