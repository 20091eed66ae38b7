<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
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

    private function library(): DatabaseLibrary
    {
        return new DatabaseLibrary($this->connection, $this->families, '', []);
    }
}
