<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\BoundTable;
use Footnote\App\Storage\BoundTables;
use Footnote\App\Storage\Cells;

/** Holds every row of evidence against what the journal says of it. */
final readonly class EvidenceCheck
{
    /** The newest line of each row of a table. */
    private const NEWEST = 'SELECT row_key, digest, sequence FROM evidence_bound WHERE id IN'
        .' (SELECT MAX(id) FROM evidence_bound WHERE table_name = ? GROUP BY row_key)';

    public function __construct(private Connection $connection, private BoundTables $tables)
    {
    }

    /** @return iterable<string> what does not hold, a sentence a row */
    public function faults(): iterable
    {
        // A logbook from before rows were bound is sealed by the first use of it; whoever takes the lines away is found by the entries.
        foreach ($this->since() === null ? [] : $this->tables->all() as $table) {
            yield from $this->rows($table);
            yield from $this->gone($table);
        }
    }

    /** The first entry that binds rows; null where none does. */
    public function since(): ?int
    {
        $first = $this->connection->fetchOne("SELECT MIN(sequence) FROM journal_entry WHERE binds <> ''");

        return \is_numeric($first) ? (int) $first : null;
    }

    /** @return iterable<string> rows that are not what they were, or that no entry knows of */
    private function rows(BoundTable $table): iterable
    {
        $rows = $this->connection->iterateAssociative(
            \sprintf(
                'SELECT %s, %s AS bound_key, b.digest AS bound_digest, b.sequence AS bound_sequence FROM %s t LEFT JOIN (%s) b'
                    .' ON b.row_key = %s',
                $table->listed(),
                $table->keyOf('t'),
                $table->name,
                self::NEWEST,
                $table->keyOf('t'),
            ),
            [$table->name],
        );
        foreach ($rows as $row) {
            $key = Cells::text($row, 'bound_key');
            if ($row['bound_digest'] === null) {
                yield \sprintf('%s %s was added, and no entry knows of it', $table->name, $key);
            } elseif ($row['bound_digest'] !== $table->digest($row)) {
                yield \sprintf('%s %s was changed since entry %s', $table->name, $key, Cells::text($row, 'bound_sequence'));
            }
        }
    }

    /** @return iterable<string> rows that an entry knows of, and that are not there */
    private function gone(BoundTable $table): iterable
    {
        $gone = $this->connection->iterateColumn(
            \sprintf(
                'SELECT row_key FROM evidence_bound WHERE table_name = ? EXCEPT SELECT %s FROM %s t',
                $table->keyOf('t'),
                $table->name,
            ),
            [$table->name],
        );
        foreach ($gone as $key) {
            yield \sprintf('%s %s was deleted', $table->name, \is_string($key) ? $key : '');
        }
    }
}
