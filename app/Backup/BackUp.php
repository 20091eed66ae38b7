<?php

declare(strict_types=1);

namespace Footnote\App\Backup;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Footnote\App\Journal\Journal;

/** A copy of the logbook as it stands at one moment, while it is in use; it is done when the copy was held against its journal. */
final readonly class BackUp
{
    public function __construct(private Connection $connection, private OwnConsole $console, private Journal $journal)
    {
    }

    /**
     * @return string what was checked
     *
     * @throws BackupFailed where it is not done; nothing is left under that name
     */
    public function __invoke(string $path): string
    {
        if (file_exists($path)) {
            throw new BackupFailed(\sprintf('%s is there already: a backup takes the place of no other.', $path));
        }
        $folder = realpath(\dirname($path));
        if ($folder === false || !is_writable($folder)) {
            throw new BackupFailed(\sprintf('%s is no folder that can be written.', \dirname($path)));
        }
        $part = new SqliteFile($folder.'/'.basename($path).'.part');
        $part->remove();
        umask(0077);
        try {
            $said = $this->connection->getDatabasePlatform() instanceof SQLitePlatform
                ? $this->ofFile($part)
                : $this->ofServer($part);
            $part->settleAs($folder.'/'.basename($path));
        } catch (\Throwable $problem) {
            $part->remove();
            throw $problem instanceof BackupFailed ? $problem : new BackupFailed($problem->getMessage(), previous: $problem);
        }

        return $said;
    }

    private function ofFile(SqliteFile $part): string
    {
        $this->connection->executeStatement('VACUUM INTO ?', [$part->path]);
        $part->check();

        return $this->console->must($part->address(), 'footnote:journal:verify');
    }

    /** What pg_dump wrote can be read; the journal is held against the logbook itself, since a dump is no database. */
    private function ofServer(SqliteFile $part): string
    {
        $fault = $this->journal->verify()['fault'];
        if ($fault !== null) {
            throw new BackupFailed(\sprintf('The journal does not hold: %s.', $fault));
        }
        PostgresTools::run($this->connection->getParams(), 'pg_dump', '--format=custom', '--no-owner', '--file='.$part->path);
        $list = PostgresTools::run([], 'pg_restore', '--list', $part->path);

        return \sprintf('The journal held before it was dumped; the dump tells of %d things.', substr_count($list, "\n"));
    }
}
