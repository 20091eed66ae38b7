<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Logbook\ModelSheets;
use Footnote\App\Storage\Cells;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Planning\Readiness;
use Footnote\Core\Planning\ReadyBy;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/** How long the checks of units take, warming up included: by the sheets of their models, else as their procedures ask. */
final readonly class TakesOfUnits
{
    public function __construct(private ModelSheets $sheets, private Assessor $assessor, private Formats $formats)
    {
    }

    /**
     * @param array<int|string, array<string, mixed>> $records of units
     *
     * @return array<string, Readiness> by = and the unit
     */
    public function of(array $records): array
    {
        $sheets = $this->sheets->all();
        $reader = new EvidenceReader($this->formats);
        $takes = [];
        $alike = [];
        foreach ($records as $record) {
            // A kit has many units that are alike.
            $key = json_encode(array_diff_key($record, ['id' => 1, 'serial' => 1, 'certificates' => 1]), \JSON_THROW_ON_ERROR);
            if (!isset($alike[$key])) {
                $unit = $reader->instrument(Fields::of($record));
                $own = $sheets->of($unit->family, $unit->model);
                $procedures = $own->over($this->assessor->family($unit->family)->procedures($unit));
                $alike[$key] = ReadyBy::of($procedures[0], $own);
            }
            $takes['='.Cells::text($record, 'id')] = $alike[$key];
        }

        return $takes;
    }
}
