<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;

/**
 * What people decided of runs, the snapshot that each saw, and whether it still says the same.
 *
 * @phpstan-type Covered array<string, string>
 * @phpstan-type DecisionRow array{
 *     id: int, kind: string, verdict: string, proposed: string, reason: string, policy: string, digest: string,
 *     snapshotDigest: string, by: string, at: string, covers: list<Covered>, waiting: list<Covered>,
 * }
 */
final readonly class Decisions
{
    public function __construct(private Connection $connection, private EvidenceSince $since)
    {
    }

    /**
     * @return list<DecisionRow> the newest first
     */
    public function of(string $run): array
    {
        return array_map(static fn (array $row): array => [
            'id' => (int) Cells::text($row, 'id'),
            'kind' => Cells::text($row, 'kind'),
            'verdict' => Cells::text($row, 'verdict'),
            'proposed' => Cells::text($row, 'proposed'),
            'reason' => Cells::text($row, 'reason'),
            'policy' => Cells::text($row, 'policy_key'),
            'digest' => Cells::text($row, 'digest'),
            'snapshotDigest' => Cells::text($row, 'snapshot_digest'),
            'by' => Cells::text($row, 'recorded_by'),
            'at' => Cells::moment($row, 'recorded_at'),
            ...self::signed($row)['decision'],
        ], $this->connection->fetchAllAssociative(
            'SELECT id, kind, verdict, proposed, reason, policy_key, digest, snapshot, snapshot_digest, recorded_by, '
                .'recorded_at FROM decision WHERE run_id = ? ORDER BY id DESC',
            [$run],
        ));
    }

    /**
     * The newest decision of each of these runs.
     *
     * @param list<string> $runs
     *
     * @return array<array-key, array<string, mixed>> rows by run
     */
    public function lastOf(array $runs): array
    {
        $decisions = [];
        foreach (array_chunk($runs, 500) as $some) {
            foreach ($this->connection->fetchAllAssociative(
                'SELECT id, run_id, kind, verdict, recorded_by, recorded_at, reason, digest, snapshot FROM decision'
                    .' WHERE run_id IN ('.implode(', ', array_fill(0, \count($some), '?')).') ORDER BY id',
                $some,
            ) as $row) {
                $decisions[Cells::text($row, 'run_id')] = $row;
            }
        }

        return $decisions;
    }

    /** @return array<string, mixed>|null the row of the newest decision of a run, with its snapshot */
    public function last(string $run): ?array
    {
        return $this->lastOf([$run])[$run] ?? null;
    }

    /** @return array{string, string} the frozen snapshot of a decision as it was signed, and its digest */
    public function snapshot(string $run, int $id): array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT snapshot, snapshot_digest FROM decision WHERE run_id = ? AND id = ?',
            [$run, $id],
        );

        if ($row === false) {
            throw Problem::missing('This decision');
        }
        $digest = Cells::text($row, 'snapshot_digest');

        return [KeptBytes::of($row['snapshot'], $digest, 'The snapshot of this decision'), $digest];
    }

    /**
     * What changed since the last decision, and whether evidence came or only the rules judge otherwise; null where it still
     * says the same.
     *
     * @return array{was: array<string, mixed>, is: array<string, mixed>, because: string}|null
     */
    public function changed(string $run, Worked $worked): ?array
    {
        $row = $this->connection->fetchAssociative(
            'SELECT snapshot, policy_key, recorded_at FROM decision WHERE run_id = ? ORDER BY id DESC LIMIT 1',
            [$run],
        );
        $then = $row === false ? [] : self::signed($row)['assessment'];
        if ($row === false || Saying::digest(Saying::of($then)) === $worked->said) {
            return null;
        }
        $policy = $worked->school['policy'] ?? null;
        $was = Worked::school($then);

        return ['was' => $was, 'is' => $worked->school, 'because' => match (true) {
            $this->since->any($run, Cells::text($row, 'recorded_at')) => 'evidence',
            $policy !== ($was['policy'] ?? null) => 'policy',
            default => 'release',
        }];
    }

    /**
     * What a decision saw and covered. One of an earlier release covers all that it saw.
     *
     * @param array<string, mixed> $row with the snapshot
     *
     * @return array{assessment: array<string, mixed>, decision: array{covers: list<Covered>, waiting: list<Covered>}}
     */
    public static function signed(array $row): array
    {
        $snapshot = json_decode(Cells::blob($row['snapshot'] ?? null), true, 64, \JSON_THROW_ON_ERROR);
        /** @var array<string, mixed> $assessment */
        $assessment = \is_array($snapshot) && \is_array($snapshot['assessment'] ?? null) ? $snapshot['assessment'] : [];
        $decision = \is_array($snapshot) && \is_array($snapshot['decision'] ?? null) ? $snapshot['decision'] : [];
        /** @var list<Covered> $covers */
        $covers = $decision['covers'] ?? array_merge(...Coverage::of($assessment));
        /** @var list<Covered> $waiting */
        $waiting = $decision['waiting'] ?? [];

        return ['assessment' => $assessment, 'decision' => ['covers' => $covers, 'waiting' => $waiting]];
    }
}
