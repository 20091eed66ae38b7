<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;

/** Decisions as they go from one logbook to another: what was decided here, and what came with runs from elsewhere. */
final readonly class DecisionRecords
{
    private const AT_ONCE = 500;

    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param list<string> $runs
     *
     * @return list<array<string, mixed>> in the record format; of each run the oldest first, those of other logbooks before
     */
    public function of(array $runs): array
    {
        $logbook = $this->logbook();
        $told = [];
        foreach (array_chunk($runs, self::AT_ONCE) as $some) {
            foreach ($this->rows('decision_elsewhere', 'record', $some) as $row) {
                $told[] = Cells::json($row, 'record');
            }
            foreach ($this->rows('decision', '*', $some) as $row) {
                $told[] = self::told($row, $logbook);
            }
        }

        return $told;
    }

    /** @return list<array<string, mixed>> what other logbooks decided of a run, in the record format, as it came */
    public function elsewhere(string $run): array
    {
        return array_map(
            static fn (array $row): array => Cells::json($row, 'record'),
            $this->rows('decision_elsewhere', 'record', [$run]),
        );
    }

    /**
     * What each decision of these runs saw, frozen.
     *
     * @param list<string> $runs
     *
     * @return \Generator<string, string> bytes by the SHA-256 of them
     */
    public function snapshots(array $runs): \Generator
    {
        foreach (array_chunk($runs, self::AT_ONCE) as $some) {
            foreach ($this->rows('decision', 'id', $some) as ['id' => $id]) {
                $row = $this->connection->fetchAssociative('SELECT snapshot, snapshot_digest FROM decision WHERE id = ?', [$id]);
                if ($row !== false) {
                    $digest = Cells::text($row, 'snapshot_digest');
                    yield $digest => KeptBytes::of($row['snapshot'], $digest, 'The snapshot of a decision');
                }
            }
        }
    }

    /** What tells this logbook from every other: the hash of the first entry of its journal; empty before there is one. */
    public function logbook(): string
    {
        $hash = $this->connection->fetchOne('SELECT hash FROM journal_entry ORDER BY sequence LIMIT 1');

        return \is_string($hash) ? $hash : '';
    }

    /**
     * @param list<string> $runs at most AT_ONCE
     *
     * @return list<array<string, mixed>>
     */
    private function rows(string $table, string $columns, array $runs): array
    {
        return $runs === [] ? [] : $this->connection->fetchAllAssociative(
            \sprintf(
                'SELECT %s FROM %s WHERE run_id IN (%s) ORDER BY run_id, id',
                $columns,
                $table,
                implode(', ', array_fill(0, \count($runs), '?')),
            ),
            $runs,
        );
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, mixed>
     */
    private static function told(array $row, string $logbook): array
    {
        $signed = Decisions::signed($row);

        return [
            'logbook' => $logbook,
            'run' => Cells::text($row, 'run_id'),
            'kind' => Cells::text($row, 'kind'),
            'verdict' => Cells::text($row, 'verdict'),
            'proposed' => Cells::text($row, 'proposed'),
            'reason' => Cells::text($row, 'reason'),
            'policy' => Cells::text($row, 'policy_key'),
            'covers' => array_column($signed['decision']['covers'], 'key'),
            'said' => Saying::digest(Saying::of($signed['assessment'])),
            'snapshot' => Cells::text($row, 'snapshot_digest'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
        ];
    }
}
