<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;

/**
 * What was written down of a unit since a moment: half-done checks and checks of anybody, and what others said of runs or did to it.
 *
 * @phpstan-type Thing array{id: string, what: string, by: string, at: string}
 */
final readonly class Meanwhile
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * @param string $own the half-done check that is gone on with, which is none of them; empty where there is none
     *
     * @return list<Thing> as they were written down; "at" is when that was
     */
    public function of(string $instrument, \DateTimeImmutable $since, string $by, string $own): array
    {
        $things = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT id, started_by AS recorded_by, started_at AS recorded_at FROM check_draft
                WHERE instrument_id = ? AND closed_at IS NULL AND id <> ? ORDER BY started_at, id',
            [$instrument, $own],
        ) as $row) {
            $things[] = self::thing($row, 'half-done check');
        }
        foreach ([
            'check' => 'SELECT id, recorded_by, recorded_at FROM check_record
                WHERE instrument_id = ? AND recorded_at >= ? ORDER BY recorded_at, id',
            'run' => 'SELECT id, recorded_by, recorded_at FROM run
                WHERE instrument_id = ? AND recorded_at >= ? AND recorded_by <> ? ORDER BY recorded_at, id',
            'word on a run' => 'SELECT run_fact.run_id AS id, run_fact.recorded_by, run_fact.recorded_at FROM run_fact
                JOIN run_state ON run_state.run_id = run_fact.run_id
                WHERE run_state.instrument_id = ? AND run_fact.recorded_at >= ? AND run_fact.recorded_by <> ? ORDER BY run_fact.id',
            'intervention' => 'SELECT id, recorded_by, recorded_at FROM intervention
                WHERE instrument_id = ? AND recorded_at >= ? AND recorded_by <> ? ORDER BY recorded_at, id',
        ] as $what => $sql) {
            $asked = [$instrument, Moments::second($since), ...($what === 'check' ? [] : [$by])];
            foreach ($this->connection->fetchAllAssociative($sql, $asked) as $row) {
                $things[] = self::thing($row, $what);
            }
        }

        return $things;
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return Thing
     */
    private static function thing(array $row, string $what): array
    {
        return [
            'id' => Cells::text($row, 'id'),
            'what' => $what,
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
        ];
    }
}
