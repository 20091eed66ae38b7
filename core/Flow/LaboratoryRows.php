<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Air\Substances;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\InvalidRecord;
use Footnote\Core\Record\Laboratory;
use Footnote\Core\Record\Library;

/** What laboratories reported for a medium: the newest row of each substance, with the blanks of its report. */
final class LaboratoryRows
{
    /** @return list<AnalyteResult> in the order of their substances */
    public static function of(string $medium, Laboratory $laboratory, Library $library): array
    {
        $newest = [];
        $before = [];
        foreach ($laboratory->reported($medium) as $row) {
            // Led by a sign, so that a code of digits stays a text.
            $analyte = '='.$row->text('analyte');
            if (isset($newest[$analyte])) {
                $before[$analyte][] = $newest[$analyte]->text('number');
            }
            $newest[$analyte] = $row;
        }
        ksort($newest);
        $results = [];
        foreach ($newest as $analyte => $row) {
            $results[] = self::read($row, substr($analyte, 1), $before[$analyte] ?? [], $laboratory, $library);
        }

        return $results;
    }

    /**
     * What a row of a report must hold to be one; answers the mass of the front section.
     *
     * @throws InvalidRecord naming the field
     */
    public static function check(Fields $row): Mass
    {
        $unit = self::unit($row);
        $front = Mass::read($row, 'front', $unit);
        if ($front === null) {
            throw new InvalidRecord(
                $row->at('front'),
                Mass::read($row, 'back', $unit) === null ? 'is missing.' : 'is missing: there is a back section without a front.',
            );
        }
        Mass::read($row, 'back', $unit);
        foreach (['quantitation', 'detection'] as $name) {
            $limit = Mass::read($row, $name, $unit);
            if ($limit !== null && ($limit->lessThan || $limit->value->value->compareTo(\Footnote\Core\Quantity\Exact::zero()) <= 0)) {
                throw new InvalidRecord($row->at($name), 'is a positive number.');
            }
        }
        $row->optionalDecimal('desorption', '0.01', '1.5');
        $row->text('medium');
        $row->text('analyte');

        return $front;
    }

    /** @param list<string> $superseded */
    private static function read(Fields $row, string $analyte, array $superseded, Laboratory $laboratory, Library $library): AnalyteResult
    {
        $front = self::check($row);
        $unit = self::unit($row);
        $blanks = ['field' => [], 'media' => []];
        foreach ($laboratory->blanks() as $blank) {
            $kind = $blank->optionalText('kind') === 'media' ? 'media' : 'field';
            foreach ($laboratory->reported($blank->text('medium')) as $found) {
                if ($found->text('analyte') === $analyte && $found->text('number') === $row->text('number')) {
                    $mass = Mass::read($found, 'front', self::unit($found));
                    if ($mass !== null) {
                        $blanks[$kind][] = new BlankMass(
                            $blank->text('medium'),
                            $kind,
                            $mass,
                            Mass::read($found, 'back', self::unit($found)),
                        );
                    }
                }
            }
        }
        $state = static fn (string $name): Corrected => Corrected::tryFrom($row->optionalText($name) ?? '') ?? Corrected::Unknown;

        return new AnalyteResult(
            $analyte,
            $library->find(Substances::SHELF, $analyte),
            new ReportedBy($row->text('number'), $row->text('laboratory'), $superseded),
            new FoundMasses(
                $front,
                Mass::read($row, 'back', $unit),
                Mass::read($row, 'quantitation', $unit),
                Mass::read($row, 'detection', $unit),
            ),
            new LaboratoryCorrections(
                $state('blankCorrected'),
                $state('desorptionCorrected'),
                $row->optionalDecimal('desorption', '0.01', '1.5'),
            ),
            new CountingBlanks($blanks['field'] !== [] ? $blanks['field'] : $blanks['media'], \count($blanks['field'])),
        );
    }

    private static function unit(Fields $row): Unit
    {
        $unit = CommonUnit::tryFrom($row->optionalText('unit') ?? CommonUnit::Microgram->value);

        return \in_array($unit, [CommonUnit::Microgram, CommonUnit::Milligram], true)
            ? $unit
            : throw new InvalidRecord($row->at('unit'), 'must be µg or mg.');
    }
}
