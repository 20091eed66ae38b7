<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ConnectionException;
use Doctrine\DBAL\Exception\DriverException;

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
     * Takes back what was written.
     *
     * @param bool $within whether there was a transaction around it
     */
    public function letGo(\Throwable $because, bool $within): void
    {
        try {
            $this->connection->rollBack();
        } catch (DriverException|ConnectionException) {
            // A database that had no room for it has done so by itself.
        }
        $this->beginAnew($because, $within);
    }

    /**
     * A database that had no room ends a transaction by itself, and neither the driver nor what counts transactions knows: where
     * nothing is around it, the connection begins anew.
     */
    private function beginAnew(\Throwable $because, bool $within): void
    {
        if (!$within && Trouble::of($because) !== null) {
            $this->connection->close();
        }
    }

    /**
     * What is only kept so that it need not be done again: where nothing can be written just now, it is not.
     *
     * @template T
     *
     * @param \Closure(): T $do in a transaction that has it from the beginning
     *
     * @return T|null null where nothing can be written, and nothing around it has to be
     */
    public function holdingWherePossible(\Closure $do): mixed
    {
        $within = $this->connection->isTransactionActive();
        try {
            return $this->holding($do);
        } catch (DriverException|ConnectionException $problem) {
            if ($within || Trouble::of($problem) === null) {
                throw $problem;
            }

            return null;
        }
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
        $within = $this->connection->isTransactionActive();
        try {
            return $this->connection->transactional(function () use ($do): mixed {
                $this->take();

                return $do();
            });
        } catch (\Throwable $problem) {
            $this->beginAnew($problem, $within);
            throw $problem;
        }
    }
}
