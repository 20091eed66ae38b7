<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;

/** The kit as it is listed: last uses, own entries of libraries, checks that leaned on a reference. */
final readonly class Kit
{
    public function __construct(private Connection $connection)
    {
    }

    /** When a unit was last checked. */
    public function lastCheck(string $unit): ?string
    {
        return $this->moments(
            'SELECT i.id, (SELECT MAX(c.checked_at) FROM check_record c WHERE c.instrument_id = i.id AND '.StoredChronicle::COUNTS
                .') FROM instrument i WHERE i.id = ?',
            [$unit],
        )[$unit] ?? null;
    }

    /** @return array<int|string, string|null> when each reference was last used */
    public function lastUses(): array
    {
        return $this->moments(
            'SELECT r.id, (SELECT MAX(c.checked_at) FROM check_record c WHERE c.reference_id = r.id AND '.StoredChronicle::COUNTS
                .') FROM reference r',
            [],
        );
    }

    /** @return array<string, list<string>> units whose last check leaned on a reference, by = and the reference */
    public function leaning(): array
    {
        $leaning = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT DISTINCT l.reference_id, i.id FROM instrument i JOIN check_leaning l ON l.check_id = ('
                .'SELECT c.id FROM check_record c WHERE c.instrument_id = i.id AND '.StoredChronicle::COUNTS
                .' ORDER BY c.checked_at DESC, c.id DESC LIMIT 1) ORDER BY 1, 2',
        ) as $row) {
            $leaning['='.Cells::text($row, 'reference_id')][] = Cells::text($row, 'id');
        }

        return $leaning;
    }

    /** @return array<string, true> units with which a run goes on, by = and the unit */
    public function atWork(): array
    {
        $units = $this->connection->fetchFirstColumn(
            'SELECT i.id FROM instrument i WHERE EXISTS (SELECT 1 FROM run_state s WHERE s.instrument_id = i.id AND s.stopped_at IS NULL'
                ." AND s.campaign_id <> '')",
        );

        return array_fill_keys(array_map(static fn (mixed $id): string => '='.(\is_string($id) ? $id : ''), $units), true);
    }

    /**
     * @param list<string> $values
     *
     * @return array<int|string, string|null>
     */
    private function moments(string $sql, array $values): array
    {
        return array_map(
            static fn (mixed $at): ?string => \is_string($at)
                ? (new \DateTimeImmutable($at, new \DateTimeZone('UTC')))->format(\DATE_ATOM)
                : null,
            $this->connection->fetchAllKeyValue($sql, $values),
        );
    }

    /** @return list<array<string, mixed>> the newest checks that leaned on a reference, as they are on record */
    public function checksOn(string $reference): array
    {
        return array_map(
            static fn (array $row): array => Cells::json($row, 'record'),
            $this->connection->fetchAllAssociative(
                'SELECT c.record FROM check_record c JOIN check_leaning l ON l.check_id = c.id'
                    .' WHERE l.reference_id = ? AND '.StoredChronicle::COUNTS.' ORDER BY c.checked_at DESC LIMIT 20',
                [$reference],
            ),
        );
    }

    /** @return list<array{code: string, record: array<string, mixed>, by: string}> entries of its own of a library */
    public function entries(string $shelf): array
    {
        return array_map(
            static fn (array $row): array => [
                'code' => Cells::text($row, 'code'),
                'record' => Cells::json($row, 'record'),
                'by' => Cells::text($row, 'recorded_by'),
            ],
            $this->connection->fetchAllAssociative(
                'SELECT code, record, recorded_by FROM library_entry WHERE shelf = ? ORDER BY code',
                [$shelf],
            ),
        );
    }
}
