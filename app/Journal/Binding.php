<?php

declare(strict_types=1);

namespace Footnote\App\Journal;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\BoundTables;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Written;

/** Reads the rows of evidence back that a change has written, and keeps what each is. */
final readonly class Binding
{
    /** So many lines go in one statement. */
    private const BATCH = 200;

    public function __construct(private Connection $connection, private BoundTables $tables, private Written $written)
    {
    }

    public function begin(): void
    {
        $this->written->begin();
    }

    /** @return string what an entry says of the rows that it binds: how many, and one digest of all; empty where there are none */
    public function bind(int $sequence): string
    {
        return self::sum($this->kept($sequence));
    }

    /** Whether there is evidence from before rows were bound. */
    public function isOwed(): bool
    {
        if ($this->connection->fetchOne('SELECT 1 FROM evidence_bound LIMIT 1') !== false) {
            return false;
        }
        foreach ($this->tables->all() as $table) {
            if ($this->connection->fetchOne(\sprintf('SELECT 1 FROM %s LIMIT 1', $table->name)) !== false) {
                return true;
            }
        }

        return false;
    }

    /** Every row of evidence that there is. */
    public function everything(): void
    {
        foreach ($this->tables->all() as $class => $table) {
            $keys = $this->connection->fetchFirstColumn(\sprintf('SELECT %s FROM %s t', $table->keyOf('t'), $table->name));
            $unread = array_map(static fn (mixed $key): string => '='.(\is_scalar($key) ? (string) $key : ''), $keys);
            $this->written->many($class, array_fill_keys($unread, null));
        }
    }

    /** What the lines of an entry come to as they stand; empty where there are none. */
    public function told(int $sequence): string
    {
        return self::sum($this->lines($sequence));
    }

    /** @return iterable<array{string, string, string}> table, key and digest of each line of an entry */
    private function lines(int $sequence): iterable
    {
        foreach ($this->connection->iterateAssociative(
            'SELECT table_name, row_key, digest FROM evidence_bound WHERE sequence = ? ORDER BY id',
            [$sequence],
        ) as $row) {
            yield [Cells::text($row, 'table_name'), Cells::text($row, 'row_key'), Cells::text($row, 'digest')];
        }
    }

    /** @return iterable<array{string, string, string}> table, key and digest of each row that was written, kept on the way */
    private function kept(int $sequence): iterable
    {
        $waiting = [];
        foreach ($this->written() as $line) {
            $waiting[] = [$sequence, ...$line];
            if (\count($waiting) === self::BATCH) {
                $this->keep($waiting);
                $waiting = [];
            }
            yield $line;
        }
        $this->keep($waiting);
    }

    /** @return iterable<array{string, string, string}> table, key and digest of each row that was written */
    private function written(): iterable
    {
        foreach ($this->written->taken() as $class => $rows) {
            $table = $this->tables->of($class) ?? throw new \LogicException($class.' is no evidence.');
            $known = array_filter($rows, \is_string(...));
            $unread = array_map(static fn (string $key): string => substr($key, 1), array_keys(array_diff_key($rows, $known)));
            foreach ([$known, $table->digests($unread)] as $digests) {
                foreach ($digests as $key => $digest) {
                    yield [$table->name, substr($key, 1), $digest];
                }
            }
        }
    }

    /** @param iterable<array{string, string, string}> $lines */
    private static function sum(iterable $lines): string
    {
        $count = 0;
        $all = hash_init('sha256');
        foreach ($lines as $line) {
            hash_update($all, json_encode($line, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n");
            ++$count;
        }

        return $count === 0 ? '' : $count.' '.hash_final($all);
    }

    /** @param list<array{int, string, string, string}> $lines */
    private function keep(array $lines): void
    {
        if ($lines !== []) {
            $this->connection->executeStatement(
                'INSERT INTO evidence_bound (sequence, table_name, row_key, digest) VALUES '
                    .implode(', ', array_fill(0, \count($lines), '(?, ?, ?, ?)')),
                array_merge(...$lines),
            );
        }
    }
}
