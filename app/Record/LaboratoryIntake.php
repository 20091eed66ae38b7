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
            $this->intake->mustBeNew(KeptBlank::class, $item, 'medium');
            $this->intake->add(new KeptBlank($item->text('medium'), $campaign, $item->data(), $actor, $now));
        }
        foreach ($record->objects('laboratory') as $report) {
            $this->intake->mustBeNew(LaboratoryReport::class, $report);
            $id = $report->id('id');
            $written = Intake::without($report, 'rows');
            $this->intake->add(new LaboratoryReport($id, $report->text('laboratory'), $written, null, '', '', null, $actor, $now));
            $this->intake->flush();
            foreach ($report->objects('rows') as $place => $row) {
                $this->intake->inBatches($place);
                $this->intake->add(new LaboratoryRow($id, $row->text('medium'), $row->text('analyte'), $row->data()));
            }
        }
        $this->intake->flush();
    }
}
