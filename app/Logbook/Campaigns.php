<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/**
 * Campaigns, as they are looked up.
 *
 * @phpstan-type Campaign array{id: string, title: string, site: string, zone: string, policy: string, policyChanged: bool}
 */
final readonly class Campaigns
{
    public function __construct(private Connection $connection)
    {
    }

    /** @return array{id: string, policy: string} the campaign of a unit's newest run, else the newest campaign */
    public function ofUnit(string $instrument): array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT c.id, c.policy_key FROM campaign c LEFT JOIN run_state r ON r.campaign_id = c.id AND r.instrument_id = ?'
                .' ORDER BY CASE WHEN r.run_id IS NULL THEN 1 ELSE 0 END, r.started_at DESC, c.id DESC LIMIT 1',
            [$instrument],
        );
        if ($row === false) {
            throw new Problem(409, 'There is no campaign yet. A hygienist or steward makes one under Policies.');
        }

        return ['id' => Cells::text($row, 'id'), 'policy' => Cells::text($row, 'policy_key')];
    }

    /**
     * The policies that runs are judged by.
     *
     * @param list<string> $runs
     *
     * @return array<array-key, list<string>> runs by policy
     */
    public function policies(array $runs): array
    {
        $policies = [];
        foreach (array_chunk($runs, 500) as $some) {
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            foreach ($this->connection->fetchAllNumeric(
                "SELECT r.id, c.policy_key FROM run r JOIN campaign c ON c.id = r.campaign_id WHERE r.id IN ($marks)",
                $some,
            ) as [$run, $key]) {
                \assert(\is_string($run) && \is_string($key));
                $policies[$key][] = $run;
            }
        }

        return $policies;
    }

    /**
     * The campaigns of runs.
     *
     * @param list<string> $runs
     *
     * @return array<string, string> by = and the run
     */
    public function ofRuns(array $runs): array
    {
        $campaigns = [];
        foreach (array_chunk($runs, 500) as $some) {
            $of = 'SELECT id, campaign_id FROM run WHERE id IN ('.implode(', ', array_fill(0, \count($some), '?')).')';
            foreach ($this->connection->iterateNumeric($of, $some) as [$run, $campaign]) {
                \assert(\is_string($run) && \is_string($campaign));
                $campaigns['='.$run] = $campaign;
            }
        }

        return $campaigns;
    }

    /** The policy that a run is judged by. */
    public function policyOf(string $run): string
    {
        return $this->ofRun($run)['policy'];
    }

    /** @return Campaign */
    public function ofRun(string $run): array
    {
        return $this->find('JOIN run r ON r.campaign_id = c.id WHERE r.id = ?', [$run])[0] ?? throw Problem::missing('Run '.$run);
    }

    /** @return Campaign */
    public function one(string $id): array
    {
        return $this->find('WHERE c.id = ?', [$id])[0] ?? throw Problem::missing('Campaign '.$id);
    }

    public function policyOfCampaign(string $id): ?string
    {
        return $this->find('WHERE c.id = ?', [$id])[0]['policy'] ?? null;
    }

    /** @return list<string> its runs in their order */
    public function runs(string $campaign): array
    {
        return array_values(array_filter(
            $this->connection->fetchFirstColumn(
                'SELECT run_id FROM run_state WHERE campaign_id = ? ORDER BY started_at, run_id',
                [$campaign],
            ),
            \is_string(...),
        ));
    }

    /** @return Campaign|null */
    public function newest(): ?array
    {
        return $this->find('ORDER BY c.id DESC LIMIT 1', [])[0] ?? null;
    }

    /** @return list<Campaign> those that a run started in between two moments */
    public function measuredBetween(\DateTimeImmutable $from, \DateTimeImmutable $to): array
    {
        $utc = static fn (\DateTimeImmutable $at): string => $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s');

        return $this->find(
            'WHERE c.id IN (SELECT r.campaign_id FROM run_state r WHERE r.started_at >= ? AND r.started_at < ?) ORDER BY c.id',
            [$utc($from), $utc($to)],
        );
    }

    /**
     * @param list<string> $values
     *
     * @return list<Campaign>
     */
    private function find(string $which, array $values): array
    {
        return array_map(static fn (array $row): array => [
            'id' => Cells::text($row, 'id'),
            'title' => Cells::text($row, 'title'),
            'site' => Cells::text($row, 'site'),
            'zone' => Cells::text($row, 'zone'),
            'policy' => Cells::text($row, 'policy_key'),
            'policyChanged' => (bool) $row['policy_changed'],
        ], $this->connection->fetchAllAssociative(
            'SELECT c.id, c.title, c.site, c.zone, c.policy_key, c.policy_changed FROM campaign c '.$which,
            $values,
        ));
    }

    /** @return array{previous: string|null, next: string|null} the runs of its campaign before and after a run */
    public function neighbours(string $run): array
    {
        $own = $this->connection->fetchAssociative('SELECT started_at, campaign_id FROM run_state WHERE run_id = ?', [$run]);
        $at = $own === false ? '' : Cells::text($own, 'started_at');
        $campaign = $own === false ? '' : Cells::text($own, 'campaign_id');
        $one = fn (string $sign, string $order): ?string => \is_string(
            $found = $this->connection->fetchOne(
                'SELECT run_id FROM run_state WHERE campaign_id = ?'
                    ." AND (started_at, run_id) $sign (?, ?) ORDER BY started_at $order, run_id $order LIMIT 1",
                [$campaign, $at, $run],
            ),
        )
            ? $found
            : null;

        return ['previous' => $one('<', 'DESC'), 'next' => $one('>', 'ASC')];
    }

    /** @return array<array-key, int> how many runs each campaign has */
    public function counts(): array
    {
        return array_map(
            static fn (mixed $count): int => \is_numeric($count) ? (int) $count : 0,
            $this->connection->fetchAllKeyValue("SELECT campaign_id, COUNT(*) FROM run_state WHERE campaign_id <> '' GROUP BY campaign_id"),
        );
    }

    /** Whether any of its runs is over, so that results may have been seen. */
    public function wasSeen(string $campaign): bool
    {
        return $this->connection->fetchOne(
            'SELECT 1 FROM run_state WHERE campaign_id = ? AND stopped_at IS NOT NULL LIMIT 1',
            [$campaign],
        ) !== false;
    }
}
