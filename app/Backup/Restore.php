<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\SQLitePlatform;

/** A backup in the place of a logbook that is not there any more. What is there is never written over. */
final readonly class Restore
{
    public function __construct(private Connection $connection, private OwnConsole $console)
    {
    }

    /**
     * @return string what was checked
     *
     * @throws BackupFailed where it does not hold, or there is a logbook
     */
    public function __invoke(string $path): string
    {
        $found = realpath($path);
        if ($found === false || !is_file($found)) {
            throw new BackupFailed(\sprintf('There is no file %s.', $path));
        }

        return $this->connection->getDatabasePlatform() instanceof SQLitePlatform ? $this->ofFile($found) : $this->ofServer($found);
    }

    private function ofFile(string $path): string
    {
        $params = $this->connection->getParams();
        $target = new SqliteFile($params['path'] ?? throw new BackupFailed('The logbook is not in a file.'));
        if ($target->holdsAnything()) {
            throw new BackupFailed(\sprintf('%s is a logbook: move it away first, with its -wal and -shm.', $target->path));
        }
        $target->remove();
        umask(0077);
        $part = new SqliteFile($target->path.'.part');
        $part->remove();
        try {
            if (!copy($path, $part->path)) {
                throw new BackupFailed(\sprintf('%s could not be written.', $part->path));
            }
            $part->check();
            $said = $this->checked($part->address());
            $part->settleAs($target->path);
        } catch (\Throwable $problem) {
            $part->remove();
            throw $problem;
        }

        return $said;
    }

    private function ofServer(string $path): string
    {
        if ($this->connection->fetchOne("SELECT to_regclass('person')") !== null) {
            throw new BackupFailed('There is a logbook in this database: restore into an empty one.');
        }
        $params = $this->connection->getParams();
        PostgresTools::run(
            $params,
            'pg_restore',
            '--exit-on-error',
            '--single-transaction',
            '--no-owner',
            '--dbname='.($params['dbname'] ?? ''),
            $path,
        );

        return $this->checked((string) getenv('FOOTNOTE_DATABASE_URL'));
    }

    /** A backup of an earlier release is held against its journal when it was migrated. */
    private function checked(string $address): string
    {
        return $this->console->run($address, 'doctrine:migrations:up-to-date')[0]
            ? $this->console->must($address, 'footnote:journal:verify')
            : 'It is of an earlier release: run doctrine:migrations:migrate, then footnote:journal:verify.';
    }
}
