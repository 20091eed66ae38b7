<?php

declare(strict_types=1);

namespace Footnote\App\Http\Laboratory;

use Footnote\App\Logbook\Reports;
use Footnote\App\Storage\Cells;

/** Reports, what is awaited, blanks. */
final readonly class LaboratoryPresenter
{
    public function __construct(private Reports $reports)
    {
    }

    /** @return array<string, mixed> */
    public function overview(): array
    {
        $reports = [];
        foreach ($this->reports->newest() as $row) {
            $record = [...Cells::json($row, 'record'), ...$this->reports->said(Cells::text($row, 'id'))];
            $reports[] = [
                'id' => Cells::text($row, 'id'),
                'number' => Cells::text($record, 'number'),
                'laboratory' => Cells::text($record, 'laboratory'),
                'received' => Cells::text($record, 'received'),
                'blankCorrected' => Cells::text($record, 'blankCorrected'),
                'desorptionCorrected' => Cells::text($record, 'desorptionCorrected'),
                'simulated' => ($record['simulated'] ?? false) === true,
                'rows' => (int) Cells::text($row, 'row_count'),
                'file' => Cells::text($row, 'file_name'),
                'by' => Cells::text($row, 'recorded_by'),
                'unmatched' => $this->reports->unmatched(Cells::text($row, 'id'), 50),
            ];
        }
        $awaited = array_map(
            static fn (array $row): array => [
                'run' => Cells::text($row, 'id'),
                'medium' => Cells::text($row, 'medium'),
                'person' => Cells::text(Cells::json($row, 'record'), 'person'),
                'task' => Cells::text(Cells::json($row, 'record'), 'task'),
                'start' => Cells::moment($row, 'started_at'),
                'campaign' => Cells::text($row, 'campaign_id'),
            ],
            $this->reports->awaited(),
        );
        $blanks = array_map(
            static fn (array $row): array => [
                'medium' => Cells::text($row, 'medium'),
                'campaign' => Cells::text($row, 'campaign_id'),
                'kind' => Cells::text(Cells::json($row, 'record'), 'kind') === 'media' ? 'media' : 'field',
                'note' => Cells::text(Cells::json($row, 'record'), 'note'),
                'by' => Cells::text($row, 'recorded_by'),
                'reported' => (bool) $row['reported'],
            ],
            $this->reports->blanks(),
        );

        return ['reports' => $reports, 'awaited' => $awaited, 'blanks' => $blanks];
    }
}
