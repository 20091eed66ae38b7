<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Record\Formats;

/** The libraries of the logbook, for whom no campaign is meant. */
final readonly class Libraries
{
    public function __construct(private Connection $connection, private Formats $families)
    {
    }

    public function find(string $shelf, string $code): ?Traits
    {
        return $this->library()->find($shelf, $code);
    }

    /** @return list<Traits> every entry of a shelf, by code */
    public function all(string $shelf): array
    {
        return $this->library()->all($shelf);
    }

    /** @return array<string, string> names of all entries by code */
    public function names(string $shelf): array
    {
        return $this->library()->names($shelf);
    }

    /** @return array<string, mixed>|null an own entry as it was written down */
    public function record(string $shelf, string $code): ?array
    {
        $row = $this->connection->fetchAssociative('SELECT record FROM library_entry WHERE shelf = ? AND code = ?', [$shelf, $code]);

        return $row === false ? null : Cells::json($row, 'record');
    }

    private function library(): DatabaseLibrary
    {
        return new DatabaseLibrary($this->connection, $this->families, '', []);
    }
}
