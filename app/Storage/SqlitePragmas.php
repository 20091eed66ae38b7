<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

use Doctrine\Bundle\DoctrineBundle\Attribute\AsMiddleware;
use Doctrine\DBAL\Driver;
use Doctrine\DBAL\Driver\Connection;
use Doctrine\DBAL\Driver\Exception;
use Doctrine\DBAL\Driver\Middleware;
use Doctrine\DBAL\Driver\Middleware\AbstractDriverMiddleware;

/**
 * Sets SQLite up for several workers: write-ahead log, foreign keys, patience with a lock. The address of the logbook may say
 * otherwise, as sqlite:///…?query_only=1: a copy that is only read (query_only), a bound of its size (max_page_count, pages of 4 kB),
 * how long a write waits for another (busy_timeout, ms).
 */
#[AsMiddleware(priority: 1000)]
final readonly class SqlitePragmas implements Middleware
{
    public function wrap(Driver $driver): Driver
    {
        return new class($driver) extends AbstractDriverMiddleware {
            private const SET = [
                'busy_timeout = 10000', 'journal_mode = WAL', 'foreign_keys = ON', 'synchronous = FULL', 'cache_size = -16000',
            ];

            public function connect(#[\SensitiveParameter] array $params): Connection
            {
                if (($params['driver'] ?? '') !== 'pdo_sqlite') {
                    return parent::connect($params);
                }
                try {
                    $connection = parent::connect($params);
                    foreach (self::SET as $pragma) {
                        $connection->exec('PRAGMA '.$pragma);
                    }
                } catch (Exception $problem) {
                    return $this->onlyRead($params, $problem);
                }
                foreach (['busy_timeout', 'max_page_count', 'query_only'] as $told) {
                    $value = self::asked($params, $told);
                    if (\is_string($value) && ctype_digit($value)) {
                        $connection->exec(\sprintf('PRAGMA %s = %s', $told, $value));
                    }
                }

                return $connection;
            }

            /**
             * On a full disk there is no room for what lies beside a file that is written. Where nothing of the logbook lies there, it
             * is read as it stands.
             *
             * @param array<string, mixed> $params
             */
            private function onlyRead(#[\SensitiveParameter] array $params, Exception $problem): Connection
            {
                $path = \is_string($params['path'] ?? null) ? $params['path'] : '';
                clearstatcache();
                if (Trouble::of($problem) !== Trouble::Full || (is_file($path.'-wal') && filesize($path.'-wal') > 0)) {
                    throw $problem;
                }

                return parent::connect(['path' => 'file:'.$path.'?immutable=1', 'driver' => 'pdo_sqlite']);
            }

            /** @param array<array-key, mixed> $params */
            private static function asked(#[\SensitiveParameter] array $params, string $name): mixed
            {
                return $params[$name] ?? null;
            }
        };
    }
}
