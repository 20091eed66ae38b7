<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Types\Type;
use Doctrine\ORM\Mapping\ClassMetadata;

/** One table's rows beside the logbook, and the rows that are on their way there. */
final class StagedTable
{
    /** So many rows go in one statement; large objects go one by one. */
    private const BATCH = 100;

    private readonly string $table;
    private readonly string $staged;

    /** @var non-empty-array<string, Type> of each column, by the field that it holds */
    private readonly array $types;

    /** @var non-empty-list<string> */
    private readonly array $columns;

    /** @var non-empty-list<ParameterType> of the columns, of the order and of the place */
    private readonly array $bindings;
    private readonly int $batch;

    /** @var list<list<mixed>> */
    private array $waiting = [];
    private int $order = 0;

    /** @var list<string> what each row is, in their order, where they are evidence: worked out here, where nobody waits */
    private array $digests = [];

    /** @param ClassMetadata<object> $row */
    public function __construct(
        private readonly Connection $connection,
        private readonly ClassMetadata $row,
        private readonly ?BoundTable $bound,
    ) {
        $this->table = $row->getTableName();
        $this->staged = 'staged_'.$this->table;
        $types = [];
        foreach ($row->getFieldNames() as $field) {
            if (!$row->isIdentifier($field) || $row->usesIdGenerator() === false) {
                $types[$field] = Type::getType((string) $row->getTypeOfField($field));
            }
        }
        \assert($types !== []);
        $this->types = $types;
        $this->columns = array_map($row->getColumnName(...), array_keys($types));
        $bindings = array_map(static fn (Type $type): ParameterType => $type->getBindingType(), array_values($types));
        $this->bindings = [...$bindings, ParameterType::INTEGER, ParameterType::STRING];
        $this->batch = \in_array(ParameterType::LARGE_OBJECT, $bindings, true) ? 1 : self::BATCH;
        $columns = implode(', ', $this->columns);
        $this->drop();
        $connection->executeStatement(
            "CREATE TEMPORARY TABLE {$this->staged} AS SELECT $columns, CAST(0 AS INTEGER) AS staged_order,"
                ." CAST('' AS VARCHAR(200)) AS staged_place FROM {$this->table} WHERE 1 = 0",
        );
    }

    public function add(object $row, string $place): void
    {
        $platform = $this->connection->getDatabasePlatform();
        $values = [];
        foreach ($this->types as $field => $type) {
            $values[] = $type->convertToDatabaseValue($this->row->getFieldValue($row, $field), $platform);
        }
        if ($this->bound !== null) {
            $this->digests[] = $this->bound->digest(array_combine($this->columns, $values));
        }
        $this->waiting[] = [...$values, $this->order++, $place];
        if (\count($this->waiting) === $this->batch) {
            $this->flush();
        }
    }

    /** @return string|null where the first row was written that must be new and is not */
    public function there(): ?string
    {
        $this->flush();
        $same = implode(' AND ', array_map(
            static fn (string $key): string => "t.$key = s.$key",
            array_map($this->row->getColumnName(...), array_intersect($this->row->getIdentifier(), array_keys($this->types))),
        ));
        if ($same === '') {
            return null;
        }
        $place = $this->connection->fetchOne(
            "SELECT s.staged_place FROM {$this->staged} s JOIN {$this->table} t ON $same WHERE s.staged_place <> ''"
                .' ORDER BY s.staged_order LIMIT 1',
        );

        return \is_string($place) ? $place : null;
    }

    /** @return array<string, string|null> what each row is that came, by = and its key; null: it is no evidence */
    public function takeIn(): array
    {
        $this->flush();
        $columns = implode(', ', $this->columns);
        $keys = array_map($this->row->getColumnName(...), array_values($this->row->getIdentifierFieldNames()));
        $isNumbered = array_diff($keys, $this->columns) !== [];
        $last = $isNumbered ? $this->connection->fetchOne("SELECT MAX({$keys[0]}) FROM {$this->table}") : null;
        $this->connection->executeStatement(
            "INSERT INTO {$this->table} ($columns) SELECT $columns FROM {$this->staged} ORDER BY staged_order",
        );
        $came = $isNumbered
            ? $this->connection->fetchFirstColumn(
                "SELECT {$keys[0]} FROM {$this->table} WHERE {$keys[0]} > ? ORDER BY {$keys[0]}",
                [\is_numeric($last) ? (int) $last : 0],
            )
            : $this->connection->fetchFirstColumn('SELECT '.implode(" || '/' || ", $keys)." FROM {$this->staged} ORDER BY staged_order");

        $rows = [];
        foreach ($came as $place => $key) {
            $rows['='.(\is_scalar($key) ? (string) $key : '')] = $this->digests[$place] ?? null;
        }

        return $rows;
    }

    public function drop(): void
    {
        $this->connection->executeStatement('DROP TABLE IF EXISTS '.$this->staged);
    }

    private function flush(): void
    {
        if ($this->waiting === []) {
            return;
        }
        $marks = '('.implode(', ', array_fill(0, \count($this->bindings), '?')).')';
        $this->connection->executeStatement(
            "INSERT INTO {$this->staged} (".implode(', ', [...$this->columns, 'staged_order', 'staged_place']).') VALUES '
                .implode(', ', array_fill(0, \count($this->waiting), $marks)),
            array_merge(...$this->waiting),
            array_merge(...array_fill(0, \count($this->waiting), $this->bindings)),
        );
        $this->waiting = [];
    }
}
