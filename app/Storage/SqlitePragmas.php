<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/** Sets SQLite up for several workers: write-ahead log, foreign keys, patience with a lock. */
#[AsMiddleware(priority: 1000)]
final readonly class SqlitePragmas implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                $connection = parent::connect($params);
                if (($params['driver'] ?? '') === 'pdo_sqlite') {
                    foreach ([
                        'journal_mode = WAL', 'foreign_keys = ON', 'busy_timeout = 10000',
                        'synchronous = FULL', 'cache_size = -16000',
                    ] as $pragma) {
                        $connection->exec('PRAGMA '.$pragma);
                    }
                }

                return $connection;
            }
        };
    }
}
