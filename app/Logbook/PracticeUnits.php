<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Instrument;

/** The units that are for trying and teaching alone: what they show is marked, left out of what leaves the house, and never signed. */
final readonly class PracticeUnits
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(static fn (string $key): string => substr($key, 1), array_keys($this->all()));
    }

    /** @return array<string, true> by = and the unit */
    public function all(): array
    {
        $units = [];
        foreach ($this->connection->fetchAllAssociative(
            'SELECT id, record FROM instrument WHERE CAST(record AS TEXT) LIKE ?',
            ['%"'.Instrument::PRACTICE.'"%'],
        ) as $row) {
            if ((Cells::json($row, 'record')[Instrument::PRACTICE] ?? false) === true) {
                $units['='.Cells::text($row, 'id')] = true;
            }
        }

        return $units;
    }
}
