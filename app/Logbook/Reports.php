<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/** What laboratories reported, what is still awaited of them, and the media that were kept as blanks. */
final readonly class Reports
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return list<array<string, mixed>> rows of the newest reports, with how many rows each has */
    public function newest(): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT r.id, r.record, r.file_name, r.recorded_by, r.recorded_at,'
                .' (SELECT COUNT(*) FROM laboratory_row w WHERE w.report_id = r.id) AS row_count'
                .' FROM laboratory_report r ORDER BY r.recorded_at DESC, r.id DESC LIMIT 200',
        );
    }

    /** @return array<string, mixed> what was said of a report since */
    public function said(string $report): array
    {
        $said = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT record FROM laboratory_word WHERE report_id = ? ORDER BY id',
            [$report],
        ) as $row) {
            $said = [...$said, ...Cells::json($row, 'record')];
        }

        return $said;
    }

    /** @return list<array<string, mixed>> rows of runs whose medium no laboratory reported yet */
    public function awaited(): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT r.id, s.medium, r.record, r.started_at, r.campaign_id FROM run r JOIN run_state s ON s.run_id = r.id'
                .' WHERE s.medium IS NOT NULL'
                .' AND NOT EXISTS (SELECT 1 FROM laboratory_row w WHERE w.medium = s.medium) ORDER BY s.started_at LIMIT 500',
        );
    }

    /** @return list<array<string, mixed>> rows of blanks, and whether each was reported */
    public function blanks(): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT b.medium, b.campaign_id, b.record, b.recorded_by,'
                .' EXISTS (SELECT 1 FROM laboratory_row w WHERE w.medium = b.medium) AS reported FROM blank b ORDER BY b.medium',
        );
    }

    /** @return list<array<string, mixed>> rows of the blanks of one campaign */
    public function blanksOf(string $campaign): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT medium, record FROM blank WHERE campaign_id = ? ORDER BY medium',
            [$campaign],
        );
    }

    /** @return non-empty-list<array<string, mixed>> the rows of a report as they are on record */
    public function rows(string $report): array
    {
        $rows = array_map(
            static fn (array $row): array => Cells::json($row, 'record'),
            $this->connection->fetchAllAssociative(
                'SELECT record FROM laboratory_row WHERE report_id = ? ORDER BY id LIMIT 2000',
                [$report],
            ),
        );

        return $rows === [] ? throw Problem::missing('Report '.$report) : $rows;
    }

    /** @return array{string, string} the name of a report's file, and the file byte for byte */
    public function original(string $report): array
    {
        $row = $this->connection->fetchAssociative('SELECT file_name, original, sha256 FROM laboratory_report WHERE id = ?', [$report]);

        return $row === false || $row['original'] === null
            ? throw Problem::missing('A file of report '.$report)
            : [
                Cells::text($row, 'file_name'),
                KeptBytes::of($row['original'], Cells::text($row, 'sha256'), 'The report '.Cells::text($row, 'file_name')),
            ];
    }

    /** @return list<string> media of a report that are neither a sample nor a blank */
    public function unmatched(string $report, int $most): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT DISTINCT w.medium FROM laboratory_row w WHERE w.report_id = ?'
                    .' AND NOT EXISTS (SELECT 1 FROM run_state s WHERE s.medium = w.medium)'
                    .' AND NOT EXISTS (SELECT 1 FROM blank b WHERE b.medium = w.medium)'
                    ." ORDER BY w.medium LIMIT $most",
                [$report],
            ),
            \is_string(...),
        ));
    }

    /** @return array<string, mixed>|null the mapping of the last file of that laboratory */
    public function mappingOf(string $laboratory): ?array
    {
        $row = $laboratory === '' ? false : $this->connection->fetchAssociative(
            'SELECT mapping FROM laboratory_report WHERE laboratory = ? AND mapping IS NOT NULL'
                .' ORDER BY recorded_at DESC, id DESC LIMIT 1',
            [$laboratory],
        );

        return $row === false ? null : Cells::json($row, 'mapping');
    }

    /** @return array{medium: string, analyte: string}|null the first of its rows that another report gave already, but for blanks */
    public function reportedBefore(string $report): ?array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT n.medium, n.analyte FROM laboratory_row n'
                .' JOIN laboratory_row w ON w.medium = n.medium AND w.analyte = n.analyte AND w.report_id <> n.report_id'
                .' WHERE n.report_id = ? AND NOT EXISTS (SELECT 1 FROM blank b WHERE b.medium = n.medium) ORDER BY n.id LIMIT 1',
            [$report],
        );

        return $row === false ? null : ['medium' => Cells::text($row, 'medium'), 'analyte' => Cells::text($row, 'analyte')];
    }

    /** Whether a stand-in reported on a medium. */
    public function isSimulated(string $medium): bool
    {
        foreach ($this->connection->fetchAllAssociative(
            'SELECT record FROM laboratory_report r'
                .' WHERE EXISTS (SELECT 1 FROM laboratory_row w WHERE w.report_id = r.id AND w.medium = ?)',
            [$medium],
        ) as $row) {
            if ((Cells::json($row, 'record')['simulated'] ?? false) === true) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> the units on which a medium was */
    public function unitsOf(string $medium): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT DISTINCT instrument_id FROM run_state WHERE medium = ? AND instrument_id <> ?',
                [$medium, ''],
            ),
            \is_string(...),
        ));
    }
}
