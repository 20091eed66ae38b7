<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Symfony\Component\Console\Event\ConsoleCommandEvent;
use Symfony\Component\Console\Event\ConsoleTerminateEvent;
use Symfony\Component\EventDispatcher\Attribute\AsEventListener;

/**
 * SQLite changes a column by copying and dropping its table; with foreign keys on, the drop would delete what refers
 * to it. They are off while migrations run and checked afterwards. PostgreSQL orders texts by the language of its database:
 * one whose order is not that of the bytes would put runs and identifiers in another order than a record does.
 */
final readonly class MigrationGuard
{
    public function __construct(private Connection $connection)
    {
    }

    #[AsEventListener]
    public function before(ConsoleCommandEvent $event): void
    {
        if (!$this->concerns($event->getCommand()?->getName())) {
            return;
        }
        if ($this->isSqlite()) {
            $this->connection->executeStatement('PRAGMA foreign_keys = OFF');
        } elseif (!$this->ordersByBytes()) {
            $event->getOutput()->writeln(
                '<error>The database orders texts by a language. Make one with TEMPLATE template0 LOCALE \'C\' ENCODING \'UTF8\'.</error>',
            );
            $event->disableCommand();
        }
    }

    #[AsEventListener]
    public function after(ConsoleTerminateEvent $event): void
    {
        if ($this->concerns($event->getCommand()?->getName()) && $this->isSqlite()) {
            $broken = $this->connection->fetchAllAssociative('PRAGMA foreign_key_check');
            $this->connection->executeStatement('PRAGMA foreign_keys = ON');
            if ($broken !== []) {
                $event->getOutput()->writeln(\sprintf('<error>%d rows refer to nothing after the migration.</error>', \count($broken)));
                $event->setExitCode(1);
            }
        }
    }

    private function concerns(?string $command): bool
    {
        return $command !== null
            && str_starts_with($command, 'doctrine:migrations:');
    }

    private function isSqlite(): bool
    {
        return $this->connection->getDatabasePlatform() instanceof SQLitePlatform;
    }

    private function ordersByBytes(): bool
    {
        return $this->connection->fetchOne(
            'SELECT COUNT(*) FROM pg_database WHERE datname = CURRENT_DATABASE()'
                ." AND datlocprovider = 'c' AND datcollate IN ('C', 'POSIX', 'C.UTF-8', 'C.utf8')",
        ) === 1;
    }
}
