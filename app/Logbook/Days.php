<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Moments;

/** Which days hold something. */
final readonly class Days
{
    public function __construct(private Connection $connection)
    {
    }

    public function hasEvidence(\DateTimeImmutable $from, \DateTimeImmutable $to): bool
    {
        $values = [Moments::second($from), Moments::second($to)];
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

    /** @return array<string, true> the units with a check or a run in between, by = and their identifier */
    public function unitsBetween(\DateTimeImmutable $from, \DateTimeImmutable $to): array
    {
        $units = [];
        foreach ([
            'SELECT DISTINCT instrument_id FROM check_record WHERE checked_at >= ? AND checked_at < ?',
            'SELECT DISTINCT instrument_id FROM run_state WHERE (stopped_at IS NULL OR stopped_at >= ?) AND started_at < ?',
        ] as $sql) {
            foreach ($this->connection->fetchFirstColumn($sql, [Moments::second($from), Moments::second($to)]) as $unit) {
                $units['='.(\is_string($unit) ? $unit : '')] = true;
            }
        }

        return $units;
    }

    /** @return array<string, \DateTimeImmutable> when each unit was last checked before a moment, by = and its identifier */
    public function lastChecksBefore(\DateTimeImmutable $to): array
    {
        $lasts = [];
        foreach ($this->connection->fetchAllNumeric(
            'SELECT i.id, (SELECT MAX(c.checked_at) FROM check_record c WHERE c.instrument_id = i.id AND c.checked_at < ?)'
                .' FROM instrument i',
            [Moments::second($to)],
        ) as [$unit, $at]) {
            if (\is_string($unit) && \is_string($at)) {
                $lasts['='.$unit] = Moments::of($at);
            }
        }

        return $lasts;
    }

    public function lastRun(): ?\DateTimeImmutable
    {
        $latest = $this->connection->fetchOne('SELECT MAX(started_at) FROM run');

        return \is_string($latest) ? Moments::of($latest) : null;
    }

    /** @return list<string> the last days with a run or a check, as the site counts days */
    public function last(\DateTimeZone $zone): array
    {
        $days = [];
        foreach (['SELECT DISTINCT started_at FROM run', 'SELECT DISTINCT checked_at FROM check_record'] as $sql) {
            foreach ($this->connection->fetchFirstColumn($sql.' ORDER BY 1 DESC LIMIT 2000') as $at) {
                if (\is_string($at)) {
                    $days[Moments::of($at)->setTimezone($zone)->format('Y-m-d')] = true;
                }
            }
        }
        krsort($days);

        return \array_slice(array_map(strval(...), array_keys($days)), 0, 30);
    }
}
