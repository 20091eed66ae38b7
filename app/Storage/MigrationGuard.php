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
 * to it. They are off while migrations run and checked afterwards.
 */
final readonly class MigrationGuard
{
    public function __construct(private Connection $connection)
    {
    }

    #[AsEventListener]
    public function before(ConsoleCommandEvent $event): void
    {
        if ($this->concerns($event->getCommand()?->getName())) {
            $this->connection->executeStatement('PRAGMA foreign_keys = OFF');
        }
    }

    #[AsEventListener]
    public function after(ConsoleTerminateEvent $event): void
    {
        if ($this->concerns($event->getCommand()?->getName())) {
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
            && str_starts_with($command, 'doctrine:migrations:')
            && $this->connection->getDatabasePlatform() instanceof SQLitePlatform;
    }
}
