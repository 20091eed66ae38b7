<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Report\Column;
use Footnote\App\Report\CsvSheet;

/** What falls due as a table. */
final class DatesTable
{
    public const FILE = 'dates.csv';

    /** @return non-empty-list<Column> names stand for good: who reads the table relies on them */
    public static function columns(): array
    {
        return [
            Column::moment('until', 'Last moment at which it counts, with its offset from UTC; empty: it was never done'),
            Column::text('what', 'What is wanted'),
            Column::text('of', 'Unit, reference or sample that it is wanted of'),
            Column::text('model', 'Its model; of a sample its method'),
            Column::text('channels', 'Channels of it; empty: all of it'),
            Column::text('by', 'Who does it: laboratory, or bench'),
            Column::text('every', 'Interval that it follows from; empty: a certificate states the day'),
            Column::text('source', 'Where the interval is from'),
            Column::text('evidence', 'Check, or number of the certificate, that counts until then; of a sample its run'),
            Column::text('weighs', 'What it makes of what is measured later; empty: nothing, or nobody says'),
            Column::text('holds_up', 'Units that are held up'),
            Column::number('minutes', 'How long it takes, min; empty: nobody says'),
            Column::text('minutes_by', 'sheet: the sheet of the model says so; assumed: a minute for each step and what is waited for'),
            Column::text('note', 'What else is said of it'),
        ];
    }

    /** @return array<string, string> cells by column */
    public static function line(DueItem $item): array
    {
        $due = $item->due;

        return [
            'until' => $due['until'] ?? '',
            'what' => $due['what'],
            'of' => $item->id,
            'model' => $item->model,
            'channels' => implode(CsvSheet::NEXT, $due['channels']),
            'by' => $due['laboratory'] ? 'laboratory' : 'bench',
            'every' => $due['every'],
            'source' => $due['source'],
            'evidence' => $due['evidence'],
            'weighs' => $due['weighs'] ?? '',
            'holds_up' => implode(CsvSheet::NEXT, $item->holdsUp),
            'minutes' => (string) ($item->takes?->whole() ?? ''),
            'minutes_by' => match ($item->takes?->isAssumed) {
                null => '',
                true => 'assumed',
                false => 'sheet',
            },
            'note' => $item->note,
        ];
    }
}
