<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping\ClassMetadata;

/** A table of evidence: its rows as they stand in the database, told alike whatever the driver. */
final readonly class BoundTable
{
    /** So many rows are read back at once. */
    private const BATCH = 200;

    public string $name;

    /** @var non-empty-list<string> columns of the key */
    public array $key;

    /** @var array<string, string> Doctrine's type of each column of evidence, in the order of their names */
    private array $columns;

    /**
     * @param ClassMetadata<object> $row
     * @param list<string>          $apart columns that are no evidence
     */
    public function __construct(private Connection $connection, ClassMetadata $row, array $apart)
    {
        $this->name = $row->getTableName();
        $key = array_map($row->getColumnName(...), array_values($row->getIdentifierFieldNames()));
        \assert($key !== []);
        $this->key = $key;
        $columns = [];
        // A number that the database gives says nothing but where the row is found.
        foreach (array_diff($row->getFieldNames(), $row->usesIdGenerator() ? $row->getIdentifierFieldNames() : []) as $field) {
            $columns[$row->getColumnName($field)] = (string) $row->getTypeOfField($field);
        }
        $columns = array_diff_key($columns, array_flip($apart));
        ksort($columns);
        $this->columns = $columns;
    }

    /** An expression of the database for the key as one text. */
    public function keyOf(string $alias): string
    {
        return implode(" || '/' || ", array_map(static fn (string $column): string => "CAST($alias.$column AS VARCHAR(200))", $this->key));
    }

    /**
     * The digests of some rows as they stand.
     *
     * @param list<string> $keys each as one text
     *
     * @return iterable<string, string> by = and the key
     */
    public function digests(array $keys): iterable
    {
        // By the columns of the key themselves: an expression would read the whole table for every change.
        $parts = \count($this->key);
        $one = $parts === 1 ? '?' : '('.implode(', ', array_fill(0, $parts, '?')).')';
        $columns = implode(', ', array_map(static fn (string $column): string => 't.'.$column, $this->key));
        $key = $parts === 1 ? $columns : '('.$columns.')';
        foreach (array_chunk($keys, self::BATCH) as $some) {
            $rows = $this->connection->iterateAssociative(
                \sprintf(
                    'SELECT %s, %s AS bound_key FROM %s t WHERE %s IN (%s)',
                    $this->listed(),
                    $this->keyOf('t'),
                    $this->name,
                    $key,
                    implode(', ', array_fill(0, \count($some), $one)),
                ),
                array_merge(...array_map(static fn (string $text): array => explode('/', $text, $parts), $some)),
            );
            foreach ($rows as $row) {
                yield '='.Cells::text($row, 'bound_key') => $this->digest($row);
            }
        }
    }

    /** @param array<string, mixed> $row */
    public function digest(array $row): string
    {
        $told = [];
        foreach ($this->columns as $column => $type) {
            $told[$column] = self::told($row[$column] ?? null, $type);
        }

        return hash('sha256', json_encode($told, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES));
    }

    /** The columns of evidence of a row t. */
    public function listed(): string
    {
        return implode(', ', array_map(static fn (string $column): string => 't.'.$column, array_keys($this->columns)));
    }

    private static function told(mixed $value, string $type): ?string
    {
        if ($value === null) {
            return null;
        }
        if (\is_resource($value)) {
            rewind($value);
            $value = (string) stream_get_contents($value);
        }

        return match ($type) {
            Types::BLOB, Types::BINARY => 'sha256 '.hash('sha256', \is_string($value) ? $value : ''),
            Types::BOOLEAN => \in_array($value, [true, 1, '1', 't', 'true'], true) ? '1' : '0',
            Types::FLOAT => \sprintf('%.17g', \is_numeric($value) ? (float) $value : 0.0),
            default => \is_scalar($value) ? (string) $value : '',
        };
    }
}
