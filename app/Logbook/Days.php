<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;

/** Which days hold something. */
final readonly class Days
{
    public function __construct(private Connection $connection)
    {
    }

    public function hasEvidence(\DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        $utc = new \DateTimeZone('UTC');
        $values = array_map(static fn (\DateTimeImmutable $at): string => $at->setTimezone($utc)->format('Y-m-d H:i:s'), [$from, $to]);
        foreach ([
            'SELECT 1 FROM check_record WHERE checked_at >= ? AND checked_at < ? LIMIT 1',
            'SELECT 1 FROM run WHERE started_at >= ? AND started_at < ? LIMIT 1',
        ] as $sql) {
            if ($this->connection->fetchOne($sql, $values) !== false) {
                return true;
            }
        }

        return false;
    }

    public function lastRun(): ?\DateTimeImmutable
    {
        $latest = $this->connection->fetchOne('SELECT MAX(started_at) FROM run');

        return \is_string($latest) ? new \DateTimeImmutable($latest, new \DateTimeZone('UTC')) : null;
    }

    /** @return list<string> the last days with a run or a check, as the site counts days */
    public function last(\DateTimeZone $zone): array
    {
        $days = [];
        foreach (['SELECT DISTINCT started_at FROM run', 'SELECT DISTINCT checked_at FROM check_record'] as $sql) {
            foreach ($this->connection->fetchFirstColumn($sql.' ORDER BY 1 DESC LIMIT 2000') as $at) {
                if (\is_string($at)) {
                    $days[(new \DateTimeImmutable($at, new \DateTimeZone('UTC')))->setTimezone($zone)->format('Y-m-d')] = true;
                }
            }
        }
        krsort($days);

        return \array_slice(array_map(strval(...), array_keys($days)), 0, 30);
    }
}
