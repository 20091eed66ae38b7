<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\Reading;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\RunSurroundings;

/** Reads what a run with a microphone brought home: a log, or totals off the display. */
final class NoiseRecordReader
{
    /**
     * @param Traits $written what the format of its family asks beside it
     *
     * @throws InvalidRecord naming the field
     */
    public static function read(Fields $run, RunSurroundings $around, Traits $written): NoiseRecord
    {
        $code = $written->text(SetUp::NAME);
        $setUp = $code === null
            ? null
            : ($around->library->find(SetUp::SHELF, $code) ?? throw new InvalidRecord(
                $run->at(SetUp::NAME),
                \sprintf('"%s" is not among the set-ups.', $code),
            ));

        return new NoiseRecord(
            $around->log($run),
            self::totals($run->optionalObject('totals')),
            $around->logName(),
            $written,
            $setUp,
        );
    }

    private static function totals(?Fields $fields): ?NoiseTotals
    {
        if ($fields === null) {
            return null;
        }
        $doses = [];
        foreach ($fields->map('doses') as $criterion => $reading) {
            $doses[$criterion] = AcousticSection::total(Fields::of($reading, $fields->at('doses').'/'.$criterion), '0', '100000');
        }
        $level = static fn (string $name): ?Reading => ($object = $fields->optionalObject($name)) === null
            ? null
            : AcousticSection::total($object, AcousticKit::LEAST, AcousticKit::MOST);

        return new NoiseTotals($level('equivalentLevel'), $level('peak'), $level('slowMaximum'), $doses);
    }
}
