<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;

/** Numbers for what the logbook makes itself: the next that nothing has, also after other records came in. */
final readonly class Numbers
{
    public function __construct(private Connection $connection)
    {
    }

    /**
     * To be asked for within the transaction that keeps what it is for.
     *
     * @param string $table  a table of the program's own, never what a user wrote
     * @param string $format such as "C-%05d"
     */
    public function next(string $table, string $format): string
    {
        $prefix = strstr($format, '%', true);
        \assert(\is_string($prefix));
        $last = $this->connection->fetchOne('SELECT last FROM number_given WHERE prefix = ?', [$prefix]);
        $number = \is_numeric($last) ? (int) $last : $this->highest($table, $prefix);
        do {
            $id = \sprintf($format, ++$number);
        } while ($this->connection->fetchOne("SELECT 1 FROM $table WHERE id = ?", [$id]) !== false);
        $this->connection->executeStatement(
            'INSERT INTO number_given (prefix, last) VALUES (?, ?) ON CONFLICT (prefix) DO UPDATE SET last = excluded.last',
            [$prefix, $number],
        );

        return $id;
    }

    /** Records came in that were numbered elsewhere: the next number is looked for among them all. */
    public function lookAgain(): void
    {
        $this->connection->executeStatement('DELETE FROM number_given');
    }

    private function highest(string $table, string $prefix): int
    {
        $from = \strlen($prefix) + 1;
        $longest = $from + 8;
        $highest = $this->connection->fetchOne(
            "SELECT MAX(CASE WHEN TRIM(SUBSTR(id, $from), '0123456789') = '' THEN CAST(SUBSTR(id, $from) AS INTEGER) END)"
                ." FROM $table WHERE id LIKE ? AND LENGTH(id) BETWEEN $from AND $longest",
            [$prefix.'%'],
        );

        return \is_numeric($highest) ? (int) $highest : 0;
    }
}
