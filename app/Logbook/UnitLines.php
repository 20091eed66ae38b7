<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Snapshot;

/**
 * What lists of units show of each: worked out once, and again when evidence on the unit, or on a reference that it leaned on, has
 * come. What is kept counts while it is of the version that the unit is at.
 */
final readonly class UnitLines
{
    public function __construct(private Connection $connection, private Snapshot $snapshot)
    {
    }

    /**
     * @param \Closure(string): array<string, mixed> $workOut a unit's line out of its evidence
     *
     * @return array<string, array<string, mixed>> by = and the unit, in their order
     */
    public function all(\Closure $workOut): array
    {
        /** @var array<string, array{string, int}> $fresh unit and version of what was worked out */
        $fresh = [];
        $lines = $this->snapshot->during(function () use ($workOut, &$fresh): array {
            $lines = [];
            foreach ($this->connection->fetchAllAssociative(
                'SELECT i.id, COALESCE(s.version, 0) AS version, l.version AS kept, l.body FROM instrument i'
                    .' LEFT JOIN instrument_state s ON s.instrument_id = i.id'
                    .' LEFT JOIN unit_line l ON l.instrument_id = i.id ORDER BY i.id',
            ) as $row) {
                $unit = Cells::text($row, 'id');
                $isKept = $row['kept'] !== null && Cells::text($row, 'kept') === Cells::text($row, 'version');
                if (!$isKept) {
                    $fresh['='.$unit] = [$unit, (int) Cells::text($row, 'version')];
                }
                $lines['='.$unit] = $isKept ? Cells::json($row, 'body') : $workOut($unit);
            }

            return $lines;
        });
        if ($fresh !== []) {
            $this->connection->transactional(function () use ($fresh, $lines): void {
                foreach ($fresh as $key => [$unit, $version]) {
                    $this->keep($unit, $version, $lines[$key]);
                }
            });
        }

        return $lines;
    }

    /** @param array<string, mixed> $line */
    private function keep(string $unit, int $version, array $line): void
    {
        $this->connection->executeStatement(
            'INSERT INTO unit_line (instrument_id, version, body) VALUES (?, ?, ?) ON CONFLICT (instrument_id) DO UPDATE SET'
                .' version = excluded.version, body = excluded.body',
            [$unit, $version, json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION)],
        );
    }
}
