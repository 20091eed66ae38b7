<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;

/** The lock under which the logbook is written: whoever has it is alone, and takes it before reading what the writing rests on. */
final readonly class WriteLock
{
    public function __construct(private Connection $connection)
    {
    }

    /** Within a transaction. A write that changes nothing takes SQLite's write lock now; on other databases a lock on the last row does. */
    public function take(): void
    {
        $this->connection->executeStatement('UPDATE journal_head SET sequence = sequence WHERE id = 1');
    }

    /**
     * @template T
     *
     * @param \Closure(): T $do in a transaction that has it from the beginning
     *
     * @return T
     */
    public function holding(\Closure $do): mixed
    {
        return $this->connection->transactional(function () use ($do): mixed {
            $this->take();

            return $do();
        });
    }
}
