<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Snapshot;
use Footnote\App\Storage\WriteLock;

/**
 * What lists of units show of each: worked out once, and again when evidence on the unit, or on a reference that it leaned on, has
 * come. What is kept counts while it is of the version that the unit is at.
 */
final readonly class UnitLines
{
    public function __construct(
        private Connection $connection,
        private Snapshot $snapshot,
        private WriteLock $lock,
        private Release $release,
    ) {
    }

    /**
     * @param string                                 $list    what it is shown in; behind a blank, the day and whatever else it hangs on
     * @param \Closure(string): array<string, mixed> $workOut a unit's line out of its evidence
     * @param list<string>|null                      $units   null: all of them
     * @param float                                  $seconds after which no more is worked out: the lines of the others are left out
     * @param (\Closure(string): ?StoredMarks)|null  $marks   made while a unit's line was worked out: the next time it goes on from them
     *
     * @return array<string, array<string, mixed>> by = and the unit, in their order
     */
    public function of(string $list, \Closure $workOut, ?array $units = null, float $seconds = \INF, ?\Closure $marks = null): array
    {
        $began = hrtime(true);
        /** @var array<string, array{string, int}> $fresh unit and version of what was worked out */
        $fresh = [];
        $lines = $this->snapshot->during(function () use ($list, $workOut, $units, $seconds, $began, &$fresh): array {
            $lines = [];
            foreach ($this->rows($list, $units) as $row) {
                $unit = Cells::text($row, 'id');
                $isKept = $row['kept'] !== null && Cells::text($row, 'kept') === Cells::text($row, 'version');
                if (!$isKept && hrtime(true) - $began > 1e9 * $seconds) {
                    continue;
                }
                if (!$isKept) {
                    $fresh['='.$unit] = [$unit, (int) Cells::text($row, 'version')];
                }
                $lines['='.$unit] = $isKept ? Cells::json($row, 'body') : $workOut($unit);
            }

            return $lines;
        });
        if ($fresh !== []) {
            // What cannot be kept is still shown.
            $this->lock->holdingWherePossible(function () use ($list, $fresh, $lines, $marks): void {
                // What an older release worked out meanwhile would stand beside what this one does.
                if ($this->release->isOfAnother()) {
                    return;
                }
                foreach ($fresh as $key => [$unit, $version]) {
                    $this->keep($list, $unit, $version, $lines[$key]);
                    $made = $marks === null ? null : $marks($unit);
                    if ($made !== null && $this->version($unit) === $version) {
                        $made->writeLast($this->connection);
                    }
                }
            });
        }

        return $lines;
    }

    /**
     * @param list<string>|null $units
     *
     * @return list<array<string, mixed>>
     */
    private function rows(string $list, ?array $units): array
    {
        return $this->connection->executeQuery(
            'SELECT i.id, COALESCE(s.version, 0) AS version, l.version AS kept, l.body FROM instrument i'
                .' LEFT JOIN instrument_state s ON s.instrument_id = i.id'
                .' LEFT JOIN unit_line l ON l.instrument_id = i.id AND l.list = :list'
                .($units === null ? '' : ' WHERE i.id IN (:units)').' ORDER BY i.id',
            ['list' => $list, ...($units === null ? [] : ['units' => $units])],
            ['units' => ArrayParameterType::STRING],
        )->fetchAllAssociative();
    }

    private function version(string $unit): int
    {
        $version = $this->connection->fetchOne('SELECT version FROM instrument_state WHERE instrument_id = ?', [$unit]);

        return \is_numeric($version) ? (int) $version : 0;
    }

    /** @param array<string, mixed> $line */
    private function keep(string $list, string $unit, int $version, array $line): void
    {
        // Lines that no longer hold go with the first that is worked out anew: those before the change, and those of days gone by.
        $this->connection->executeStatement(
            'DELETE FROM unit_line WHERE instrument_id = ? AND (version < ? OR (list LIKE ? AND list <> ?))',
            [$unit, $version, explode(' ', $list)[0].' %', $list],
        );
        $this->connection->executeStatement(
            'INSERT INTO unit_line (instrument_id, list, version, body) VALUES (?, ?, ?, ?) ON CONFLICT (instrument_id, list) DO UPDATE SET'
                .' version = excluded.version, body = excluded.body',
            [$unit, $list, $version, json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_PRESERVE_ZERO_FRACTION)],
        );
    }
}
