<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Quantity\Span;

/** Runs as they are looked up one by one. */
final readonly class Runs
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return list<array<string, mixed>> rows of what was learned of a run, in order */
    public function facts(string $run): array
    {
        return $this->connection->fetchAllAssociative(
            'SELECT record, reason, recorded_by, recorded_at FROM run_fact WHERE run_id = ? ORDER BY id',
            [$run],
        );
    }

    /**
     * @param array<string, mixed> $record of a run
     *
     * @return array<string, mixed>|null the row of its log, without the file
     */
    public function log(array $record): ?array
    {
        return $this->logRow($record, 'id, name, sha256, size, format, first_interval, step_seconds, length, remarks');
    }

    /**
     * @param array<string, mixed> $record of a run
     *
     * @return array{string, string}|null the name of its log's file, and the file byte for byte
     */
    public function original(array $record): ?array
    {
        $row = $this->logRow($record, 'name, original, sha256');

        return $row === null ? null : [
            Cells::text($row, 'name'),
            KeptBytes::of($row['original'] ?? null, Cells::text($row, 'sha256'), 'The log '.Cells::text($row, 'name')),
        ];
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>|null
     */
    private function logRow(array $record, string $columns): ?array
    {
        $stored = \is_array($record['log'] ?? null) ? ($record['log']['stored'] ?? '') : null;
        $row = $stored === null ? false : $this->connection->fetchAssociative("SELECT $columns FROM log_file WHERE id = ?", [$stored]);

        return $row === false ? null : $row;
    }

    /** Another run that is on the unit meanwhile; null where it is free. */
    public function meanwhile(Run $run, string $instrument): ?string
    {
        $other = $this->connection->fetchOne(
            'SELECT run_id FROM run_state WHERE instrument_id = ? AND run_id <> ? AND started_at < ?'
                .' AND (stopped_at IS NULL OR stopped_at > ?)',
            [
                $instrument,
                $run->id,
                Moments::text($run->timing->stop ?? Span::shift($run->timing->start, 1.0)),
                Moments::text($run->timing->start),
            ],
        );

        return \is_string($other) ? $other : null;
    }

    public function isBlank(string $medium): bool
    {
        return $this->connection->fetchOne('SELECT 1 FROM blank WHERE medium = ?', [$medium]) !== false;
    }

    /** The run whose medium it is. */
    public function ofMedium(string $medium): ?string
    {
        $run = $this->connection->fetchOne('SELECT run_id FROM run_state WHERE medium = ?', [$medium]);

        return \is_string($run) ? $run : null;
    }

    public function isCheckOf(string $check, string $instrument): bool
    {
        return $this->connection->fetchOne(
            'SELECT 1 FROM check_record c WHERE c.id = ? AND c.instrument_id = ? AND '.StoredChronicle::COUNTS,
            [$check, $instrument],
        ) !== false;
    }
}
