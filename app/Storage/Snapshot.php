<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\PostgreSQLPlatform;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Reads the logbook as it stands at one moment, whatever is written meanwhile. */
final readonly class Snapshot
{
    /** @param bool $isolated false where a test already holds the connection in a transaction of its own */
    public function __construct(private Connection $connection, #[Autowire('%footnote.snapshots%')] private bool $isolated)
    {
    }

    /**
     * Within a change the lock for writing holds the logbook still already.
     *
     * @template T
     *
     * @param \Closure(): T $read that writes nothing
     *
     * @return T
     */
    public function during(\Closure $read): mixed
    {
        if ($this->connection->isTransactionActive()) {
            return $read();
        }
        $this->connection->beginTransaction();
        try {
            if ($this->isolated && $this->connection->getDatabasePlatform() instanceof PostgreSQLPlatform) {
                $this->connection->executeStatement('SET TRANSACTION ISOLATION LEVEL REPEATABLE READ READ ONLY');
            }

            return $read();
        } finally {
            $this->connection->rollBack();
        }
    }
}
