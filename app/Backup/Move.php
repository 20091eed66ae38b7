<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\DriverManager;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Platforms\PostgreSQLPlatform;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Doctrine\DBAL\Schema\Table;
use Doctrine\DBAL\Tools\DsnParser;
use Doctrine\DBAL\Types\BlobType;
use Doctrine\DBAL\Types\BooleanType;
use Doctrine\DBAL\Types\IntegerType;

/** A logbook into a database of another kind, row by row as they stand: all of it or nothing, and its journal holds on both sides. */
final readonly class Move
{
    /** Tells of the migrations that were made; the other side makes its own. */
    private const MIGRATIONS = 'doctrine_migration_versions';

    public function __construct(private OwnConsole $console)
    {
    }

    /**
     * @param string                     $from     address of a logbook
     * @param string                     $to       address of an empty database
     * @param \Closure(string, int): void $progress told after each table
     *
     * @return string what was checked
     *
     * @throws BackupFailed where anything does not hold; the other side is empty again
     */
    public function __invoke(string $from, string $to, \Closure $progress): string
    {
        $source = self::open($from);
        $target = self::open($to);
        if ($target->createSchemaManager()->listTableNames() !== []) {
            throw new BackupFailed('There is something in the database already: move into an empty one.');
        }
        if (!$this->console->run($from, 'doctrine:migrations:up-to-date')[0]) {
            throw new BackupFailed('The logbook is of an earlier release: run doctrine:migrations:migrate there first.');
        }
        $this->console->must($from, 'footnote:journal:verify');
        try {
            $this->console->must($to, 'doctrine:migrations:migrate');
            $this->copy($source, $target, $progress);
            $source->close();
            $target->close();

            return $this->console->must($to, 'footnote:journal:verify');
        } catch (\Throwable $problem) {
            self::clear($target);
            throw $problem instanceof BackupFailed ? $problem : new BackupFailed($problem->getMessage(), previous: $problem);
        }
    }

    /** @param \Closure(string, int): void $progress */
    private function copy(Connection $source, Connection $target, \Closure $progress): void
    {
        $tables = self::inOrder($target);
        // All of it as it stands at one moment.
        $source->executeStatement($source->getDatabasePlatform() instanceof PostgreSQLPlatform
            ? 'BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY'
            : 'BEGIN');
        $target->transactional(static function () use ($source, $target, $tables, $progress): void {
            foreach (array_reverse($tables) as $table) {
                // What migrations have put there is there already in what comes.
                $target->executeStatement('DELETE FROM '.$table->getName());
            }
            foreach ($tables as $table) {
                $progress($table->getName(), self::rows($source, $target, $table));
            }
        });
        $source->executeStatement('ROLLBACK');
    }

    private static function rows(Connection $source, Connection $target, Table $table): int
    {
        $columns = $table->getColumns();
        $names = array_map(static fn ($column): string => $column->getName(), $columns);
        $into = $target->prepare(\sprintf(
            'INSERT INTO %s (%s) VALUES (%s)',
            $table->getName(),
            implode(', ', $names),
            implode(', ', array_fill(0, \count($names), '?')),
        ));
        $count = 0;
        foreach ($source->iterateNumeric(\sprintf('SELECT %s FROM %s', implode(', ', $names), $table->getName())) as $row) {
            foreach ($columns as $place => $column) {
                $value = $row[$place];
                $type = $column->getType();
                [$value, $as] = match (true) {
                    $value === null => [null, ParameterType::NULL],
                    $type instanceof BlobType => [self::bytes($value), ParameterType::LARGE_OBJECT],
                    $type instanceof BooleanType => [\in_array($value, [true, 1, '1', 't'], true), ParameterType::BOOLEAN],
                    $type instanceof IntegerType => [$value, ParameterType::INTEGER],
                    \is_float($value) => [json_encode($value, \JSON_THROW_ON_ERROR), ParameterType::STRING],
                    default => [$value, ParameterType::STRING],
                };
                $into->bindValue($place + 1, $value, $as);
            }
            $into->executeStatement();
            ++$count;
        }
        foreach ($target->getDatabasePlatform() instanceof PostgreSQLPlatform ? $columns : [] as $column) {
            if ($column->getAutoincrement()) {
                // The next number follows those that came.
                $target->executeStatement(\sprintf(
                    "SELECT setval(pg_get_serial_sequence('%1\$s', '%2\$s'), COALESCE((SELECT MAX(%2\$s) FROM %1\$s), 0) + 1, false)",
                    $table->getName(),
                    $column->getName(),
                ));
            }
        }

        return $count;
    }

    /** @return list<Table> each after those that it refers to */
    private static function inOrder(Connection $target): array
    {
        $waiting = array_filter(
            $target->createSchemaManager()->listTables(),
            static fn (Table $table): bool => !\in_array($table->getName(), [self::MIGRATIONS, 'sqlite_sequence'], true),
        );
        $ordered = [];
        while ($waiting !== []) {
            $names = array_map(static fn (Table $table): string => $table->getName(), $waiting);
            $free = array_filter($waiting, static function (Table $table) use ($names): bool {
                foreach ($table->getForeignKeys() as $key) {
                    if ($key->getForeignTableName() !== $table->getName() && \in_array($key->getForeignTableName(), $names, true)) {
                        return false;
                    }
                }

                return true;
            });
            if ($free === []) {
                throw new \LogicException('Tables refer to each other in a circle.');
            }
            array_push($ordered, ...array_values($free));
            $waiting = array_diff_key($waiting, $free);
        }

        return $ordered;
    }

    private static function bytes(mixed $value): string
    {
        return \is_resource($value) ? (string) stream_get_contents($value) : (\is_string($value) ? $value : '');
    }

    private static function clear(Connection $target): void
    {
        $target->close();
        foreach (array_reverse(self::inOrder($target)) as $table) {
            $target->executeStatement('DROP TABLE '.$table->getName());
        }
        $target->executeStatement('DROP TABLE IF EXISTS '.self::MIGRATIONS);
    }

    private static function open(string $address): Connection
    {
        $params = (new DsnParser(['sqlite' => 'pdo_sqlite', 'pgsql' => 'pdo_pgsql', 'postgresql' => 'pdo_pgsql']))->parse($address);
        $connection = DriverManager::getConnection($params);
        if ($connection->getDatabasePlatform() instanceof SQLitePlatform) {
            $connection->executeStatement('PRAGMA foreign_keys = ON');
        }

        return $connection;
    }
}
