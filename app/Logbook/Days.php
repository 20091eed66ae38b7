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

    /** @return list<string> the units with a check or a run in between */
    public function unitsBetween(\DateTimeImmutable $from, \DateTimeImmutable $to): array
    {
        // Runs of a unit do not overlap, so that of all begun before only the last can reach into it.
        $units = $this->connection->executeQuery(
            'SELECT i.id FROM instrument i WHERE'
                .' EXISTS (SELECT 1 FROM check_record c WHERE c.instrument_id = i.id AND c.checked_at >= :from AND c.checked_at < :to'
                .' AND '.StoredChronicle::COUNTS.')'
                .' OR EXISTS (SELECT 1 FROM run_state s WHERE s.instrument_id = i.id AND s.started_at >= :from AND s.started_at < :to)'
                .' OR (SELECT COALESCE(s.stopped_at, :endless) FROM run_state s WHERE s.instrument_id = i.id AND s.started_at < :from'
                .' ORDER BY s.started_at DESC LIMIT 1) >= :from',
            ['from' => Moments::second($from), 'to' => Moments::second($to), 'endless' => Moments::ENDLESS],
        )->fetchFirstColumn();

        return array_values(array_filter($units, \is_string(...)));
    }

    /** When a unit was last checked before a moment. */
    public function lastCheckBefore(string $unit, \DateTimeImmutable $to): ?\DateTimeImmutable
    {
        $at = $this->connection->fetchOne(
            'SELECT MAX(c.checked_at) FROM check_record c WHERE c.instrument_id = ? AND c.checked_at < ? AND '.StoredChronicle::COUNTS,
            [$unit, Moments::second($to)],
        );

        return \is_string($at) ? Moments::of($at) : null;
    }

    /** When the last run before a moment began. */
    public function lastRun(\DateTimeImmutable $before): ?\DateTimeImmutable
    {
        $latest = $this->connection->fetchOne(
            "SELECT MAX(started_at) FROM run_state WHERE campaign_id <> '' AND started_at < ?",
            [Moments::second($before)],
        );

        return \is_string($latest) ? Moments::of($latest) : null;
    }

    /** The last day with a run or a check before a moment, as the site counts days. */
    public function before(\DateTimeImmutable $moment, \DateTimeZone $zone): ?string
    {
        return $this->outermost('MAX', '<', $moment, $zone);
    }

    /** The first day with a run or a check from a moment on, as the site counts days. */
    public function from(\DateTimeImmutable $moment, \DateTimeZone $zone): ?string
    {
        return $this->outermost('MIN', '>=', $moment, $zone);
    }

    /**
     * @param 'MAX'|'MIN' $which
     * @param '<'|'>='    $where
     */
    private function outermost(string $which, string $where, \DateTimeImmutable $moment, \DateTimeZone $zone): ?string
    {
        $found = [];
        foreach ([
            "SELECT $which(s.started_at) FROM run_state s WHERE s.started_at $where ? AND s.campaign_id <> ''",
            "SELECT $which(c.checked_at) FROM check_record c WHERE c.checked_at $where ? AND ".StoredChronicle::COUNTS,
        ] as $sql) {
            $found[] = $this->connection->fetchOne($sql, [Moments::second($moment)]);
        }
        $found = array_filter($found, \is_string(...));

        return $found === [] ? null : Moments::of($which === 'MAX' ? max($found) : min($found))->setTimezone($zone)->format('Y-m-d');
    }
}
