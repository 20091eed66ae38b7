<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;

/**
 * Plans of days.
 *
 * @phpstan-type Head array{id: string, version: int, by: string, at: string, day: string, campaign: string}
 * @phpstan-type Listed array{id: string, version: int, by: string, at: string, day: string, campaign: string, wanted: int, short: int}
 */
final readonly class KeptPlans
{
    /** So many are listed at most. */
    private const MOST = 200;

    /** The version that counts, and what lists show of it. */
    private const NEWEST = 'FROM day_plan_version v'
        .' WHERE v.version = (SELECT MAX(o.version) FROM day_plan_version o WHERE o.plan_id = v.plan_id)';

    private const HEAD = 'v.plan_id, v.campaign_id, v.planned_day, v.version, v.planned_by, v.planned_at';

    public function __construct(private Connection $connection)
    {
    }

    /** @return list<Listed> the newest day first */
    public function all(): array
    {
        $rows = $this->connection->fetchAllAssociative(
            'SELECT '.self::HEAD.', v.wanted, v.short '.self::NEWEST.' ORDER BY v.planned_day DESC, v.plan_id DESC LIMIT '.self::MOST,
        );

        return array_map(static fn (array $row): array => [
            ...self::head($row),
            'wanted' => (int) Cells::text($row, 'wanted'),
            'short' => (int) Cells::text($row, 'short'),
        ], $rows);
    }

    /** @return list<string> plans of a day */
    public function ofDay(string $day): array
    {
        return $this->ids('v.planned_day = ?', $day);
    }

    /** The last day before one that is planned. */
    public function dayBefore(string $day): ?string
    {
        return $this->outermost('MAX', '<', $day);
    }

    /** The first day after one that is planned. */
    public function dayAfter(string $day): ?string
    {
        return $this->outermost('MIN', '>', $day);
    }

    /**
     * @param 'MAX'|'MIN' $which
     * @param '<'|'>'     $where
     */
    private function outermost(string $which, string $where, string $day): ?string
    {
        $found = $this->connection->fetchOne("SELECT $which(v.planned_day) ".self::NEWEST." AND v.planned_day $where ?", [$day]);

        return \is_string($found) ? $found : null;
    }

    /** @return list<string> plans of a day and of later ones, the last day first; so many as are listed */
    public function since(string $day): array
    {
        return $this->ids('v.planned_day >= ?', $day);
    }

    /** @return list<string> */
    private function ids(string $where, string $day): array
    {
        $sql = 'SELECT v.plan_id '.self::NEWEST." AND $where ORDER BY v.planned_day DESC, v.plan_id LIMIT ".self::MOST;

        return array_values(array_filter($this->connection->fetchFirstColumn($sql, [$day]), \is_string(...)));
    }

    /** @return array{id: string, version: int, by: string, at: string, day: string, campaign: string, body: array<string, mixed>}|null */
    public function newest(string $id): ?array
    {
        $row = $this->connection->fetchAssociative('SELECT '.self::HEAD.', v.body '.self::NEWEST.' AND v.plan_id = ?', [$id]);

        return $row === false ? null : [...self::head($row), 'body' => Cells::json($row, 'body')];
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return Head
     */
    private static function head(array $row): array
    {
        return [
            'id' => Cells::text($row, 'plan_id'),
            'version' => (int) Cells::text($row, 'version'),
            'by' => Cells::text($row, 'planned_by'),
            'at' => Cells::moment($row, 'planned_at'),
            'day' => Cells::text($row, 'planned_day'),
            'campaign' => Cells::text($row, 'campaign_id'),
        ];
    }
}
