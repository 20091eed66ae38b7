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

    private const SQL = 'SELECT p.id, p.campaign_id, p.planned_day, v.version, v.planned_by, v.planned_at, v.body FROM day_plan p'
        .' JOIN day_plan_version v ON v.plan_id = p.id'
        .' WHERE v.version = (SELECT MAX(o.version) FROM day_plan_version o WHERE o.plan_id = p.id)';

    public function __construct(private Connection $connection)
    {
    }

    /** @return list<Listed> the newest day first */
    public function all(): array
    {
        $rows = $this->connection->fetchAllAssociative(self::SQL.' ORDER BY p.planned_day DESC, p.id DESC LIMIT '.self::MOST);

        return array_map(static function (array $row): array {
            $body = Cells::json($row, 'body');
            $asked = Cells::map($body, 'asked');

            return [
                ...self::head($row),
                'wanted' => \count(Cells::rows($asked, 'wanted')),
                'short' => \count(Cells::rows($body, 'short')) + \count(Cells::texts($body, 'over')),
            ];
        }, $rows);
    }

    /** @return list<string> plans of a day */
    public function ofDay(string $day): array
    {
        return $this->ids('planned_day = ?', $day);
    }

    /** @return list<string> plans of a day and of later ones, the last day first; so many as are listed */
    public function since(string $day): array
    {
        return $this->ids('planned_day >= ?', $day);
    }

    /** @return list<string> */
    private function ids(string $where, string $day): array
    {
        $sql = "SELECT id FROM day_plan WHERE $where ORDER BY planned_day DESC, id LIMIT ".self::MOST;

        return array_values(array_filter($this->connection->fetchFirstColumn($sql, [$day]), \is_string(...)));
    }

    /** @return array{id: string, version: int, by: string, at: string, day: string, campaign: string, body: array<string, mixed>}|null */
    public function newest(string $id): ?array
    {
        $row = $this->connection->fetchAssociative(self::SQL.' AND p.id = ?', [$id]);

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
            'id' => Cells::text($row, 'id'),
            'version' => (int) Cells::text($row, 'version'),
            'by' => Cells::text($row, 'planned_by'),
            'at' => Cells::moment($row, 'planned_at'),
            'day' => Cells::text($row, 'planned_day'),
            'campaign' => Cells::text($row, 'campaign_id'),
        ];
    }
}
