<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;

/**
 * The ledger: a line a run, worked out where it was not yet.
 *
 * @phpstan-type Drift array{shown: string, unit: string}
 * @phpstan-type LedgerResult array{key: string, title: string, shown: string, unit: string, verdict: string, drift: Drift|null}
 * @phpstan-type LedgerDecision array{
 *     id: int, kind: string, verdict: string, by: string, at: string, reason: string, stale: bool, covers: list<string>,
 * }
 * @phpstan-type LedgerRow array{
 *     run: string, instrument: string, person: string, task: string, place: string, start: string, stop: string|null,
 *     verdict: string, bracket: mixed, drift: Drift|null, standing: mixed, headline: mixed, results: list<LedgerResult>,
 *     finding: mixed, findings: mixed, cure: mixed, decision: LedgerDecision|null,
 * }
 */
final readonly class Ledger
{
    private const JOINS = 'JOIN run_state s ON s.run_id = r.id JOIN campaign c ON c.id = r.campaign_id'
        .' LEFT JOIN worked_run w ON w.policy_key = c.policy_key AND '.Workings::CURRENT;

    public function __construct(private Connection $connection, private Workings $workings, private Decisions $decisions)
    {
    }

    public function total(LedgerChoice $choice): int
    {
        [$where, $values] = $this->condition($choice);
        // The joins are only counted through where the choice needs them.
        $joins = str_contains($where, 'w.') ? self::JOINS : '';
        $total = $this->connection->fetchOne("SELECT COUNT(*) FROM run r $joins WHERE $where", $values);

        return \is_numeric($total) ? (int) $total : 0;
    }

    /** @return array{string, list<string>} with a verdict wanted, every run must have one */
    private function condition(LedgerChoice $choice): array
    {
        if ($choice->verdict !== '') {
            $this->workOut($this->connection->fetchAllNumeric(
                'SELECT r.id, c.policy_key FROM run r '.self::JOINS.' WHERE w.run_id IS NULL LIMIT 2000',
            ));
        }

        return $choice->condition();
    }

    /**
     * @param bool $compared whether decisions are held against what the runs say now
     *
     * @return list<LedgerRow>
     */
    public function rows(LedgerChoice $choice, int $limit, int $offset, bool $compared = true): array
    {
        [$where, $values] = $this->condition($choice);
        $sql = 'SELECT r.id, r.instrument_id, r.record, r.started_at, s.stopped_at, c.policy_key, c.zone,'
            .' w.verdict, w.digest, w.said, w.summary'
            .' FROM run r '.self::JOINS." WHERE $where ORDER BY r.started_at, r.id LIMIT $limit OFFSET $offset";
        $found = $this->connection->fetchAllAssociative($sql, $values);
        $missing = array_values(array_filter($found, static fn (array $row): bool => $row['verdict'] === null));
        if ($missing !== []) {
            $this->workOut(array_map(static fn (array $row): array => [$row['id'], $row['policy_key']], $missing));
            $found = $this->connection->fetchAllAssociative($sql, $values);
        }
        $decisions = $this->decisions->lastOf(array_map(static fn (array $row): string => Cells::text($row, 'id'), $found));
        $lines = [];
        foreach ($found as $row) {
            $record = Cells::json($row, 'record');
            $summary = Cells::json($row, 'summary');
            $zone = new \DateTimeZone(Cells::text($row, 'zone'));
            $at = static fn (string $stored): string => (new \DateTimeImmutable($stored, new \DateTimeZone('UTC')))
                ->setTimezone($zone)->format(\DATE_ATOM);
            $decision = $decisions[Cells::text($row, 'id')] ?? null;
            /** @var array{shown: string, unit: string}|null $drift */
            $drift = $summary['drift'] ?? null;
            /** @var list<LedgerResult> $results */
            $results = $summary['results'] ?? [];
            $lines[] = [
                'run' => Cells::text($row, 'id'),
                'instrument' => Cells::text($row, 'instrument_id'),
                'person' => Cells::text($record, 'person'),
                'task' => Cells::text($record, 'task'),
                'place' => Cells::text($record, 'place'),
                'start' => $at(Cells::text($row, 'started_at')),
                'stop' => $row['stopped_at'] === null ? null : $at(Cells::text($row, 'stopped_at')),
                'verdict' => Cells::text($row, 'verdict'),
                'bracket' => $summary['bracket'] ?? null,
                'drift' => $drift,
                'standing' => $summary['standing'] ?? null,
                'headline' => $summary['headline'] ?? null,
                'results' => $results,
                'finding' => $summary['finding'] ?? null,
                'findings' => $summary['findings'] ?? 0,
                'cure' => $summary['cure'] ?? null,
                'decision' => $decision === null ? null : self::decided($decision, $row, $at, $compared),
            ];
        }

        return $lines;
    }

    /**
     * A decision as the ledger shows it.
     *
     * @param array<string, mixed>     $decision
     * @param array<string, mixed>     $row      of the run
     * @param \Closure(string): string $at       a stored moment, told in the zone of the site
     * @param bool                     $compared whether it is held against what the run says now
     *
     * @return LedgerDecision
     */
    private static function decided(array $decision, array $row, \Closure $at, bool $compared): array
    {
        $signed = Decisions::signed($decision);
        $text = static fn (string $name): string => Cells::text($decision, $name);

        return [
            'id' => (int) $text('id'),
            'kind' => $text('kind'),
            'verdict' => $text('verdict'),
            'by' => $text('recorded_by'),
            'at' => $at($text('recorded_at')),
            'reason' => $text('reason'),
            'stale' => $compared && $text('digest') !== Cells::text($row, 'digest')
                && Saying::digest(Saying::of($signed['assessment'])) !== Cells::text($row, 'said'),
            'covers' => array_map(static fn (array $one): string => $one['key'] ?? '', $signed['decision']['covers']),
        ];
    }

    /** @param array<array<mixed>> $pairs run and policy */
    private function workOut(array $pairs): void
    {
        $byPolicy = [];
        foreach ($pairs as [$run, $policy]) {
            if (\is_string($run) && \is_string($policy)) {
                $byPolicy[$policy][] = $run;
            }
        }
        foreach ($byPolicy as $policy => $runs) {
            $this->workings->workOut($runs, $policy);
        }
    }
}
