<?php

declare(strict_types=1);

namespace Footnote\App\Record;

use Footnote\App\Logbook\Row\KeptBlank;
use Footnote\App\Logbook\Row\LaboratoryReport;
use Footnote\App\Logbook\Row\LaboratoryRow;
use Footnote\Core\Record\Fields;

/** The blanks of a record and what laboratories said. */
final readonly class LaboratoryIntake
{
    public function __construct(private Intake $intake)
    {
    }

    public function take(Fields $record, string $campaign, string $actor): void
    {
        $now = $this->intake->now();
        foreach ($record->objects('blanks') as $item) {
            $this->intake->addNew(new KeptBlank($item->text('medium'), $campaign, $item->data(), $actor, $now), $item, 'medium');
        }
        foreach ($record->objects('laboratory') as $report) {
            $id = $report->id('id');
            $written = Intake::without($report, 'rows');
            $this->intake->addNew(
                new LaboratoryReport($id, $report->text('laboratory'), $written, null, '', '', null, $actor, $now),
                $report,
            );
            foreach ($report->objects('rows') as $row) {
                $this->intake->add(new LaboratoryRow($id, $row->text('medium'), $row->text('analyte'), $row->data()));
            }
        }
    }
}
