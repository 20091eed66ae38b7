<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Snapshot;
use Footnote\App\Storage\WriteLock;

/**
 * The ledger: a line a run, worked out where it was not yet.
 *
 * @phpstan-type Drift array{shown: string, unit: string}
 * @phpstan-type LedgerResult array{key: string, title: string, shown: string, unit: string, verdict: string, drift: Drift|null}
 * @phpstan-type LedgerDecision array{
 *     id: int, kind: string, verdict: string, by: string, at: string, reason: string, stale: bool, covers: list<string>,
 * }
 * @phpstan-type Weighty array{
 *     title: string, channel: string|null, seen: string, verdict: string,
 *     cure: array{evidence: string, until: string, at: string}|null, advice: string|null, evidence: list<string>,
 * }
 * @phpstan-type LedgerRow array{
 *     run: string, instrument: string, practice: bool, person: string, task: string, place: string, start: string, stop: string|null,
 *     verdict: string, bracket: mixed, drift: Drift|null, standing: mixed, headline: mixed, results: list<LedgerResult>,
 *     finding: mixed, findings: mixed, cure: mixed, decision: LedgerDecision|null, parts: list<string>, weighty: list<Weighty>,
 * }
 */
final readonly class Ledger
{
    private const STATES = 'JOIN campaign c ON c.id = s.campaign_id'
        .' LEFT JOIN worked_run w ON w.policy_key = c.policy_key AND '.Workings::CURRENT;

    /** How often a page is looked at again because evidence came while it was worked out, before the logbook is held still for it. */
    private const TRIES = 3;

    public function __construct(
        private Connection $connection,
        private Snapshot $snapshot,
        private Workings $workings,
        private Decisions $decisions,
        private WriteLock $lock,
        private PracticeUnits $practice,
    ) {
    }

    /**
     * What is missing of the runs of the page is worked out. Where a verdict is wanted, what is kept is looked through; of what waits
     * no more is worked out than a page holds.
     *
     * @param bool $compared whether decisions are held against what the runs say now
     */
    public function page(LedgerChoice $choice, int $limit, int $offset, bool $compared = true): LedgerPage
    {
        if ($choice->verdict !== '') {
            $this->workOut($this->waiting($choice, $limit));
        }
        for ($try = 0; $try < self::TRIES; ++$try) {
            [$found, $total, $waiting] = $this->snapshot->during(fn (): array => $this->look($choice, $limit, $offset));
            $missing = array_values(array_filter($found, static fn (array $row): bool => $row['verdict'] === null));
            if ($missing === []) {
                return new LedgerPage($this->lines($found, $compared), $total, $waiting);
            }
            $this->workOut($missing);
        }

        $page = $this->lock->holdingWherePossible(function () use ($choice, $limit, $offset, $compared): LedgerPage {
            [$found] = $this->look($choice, $limit, $offset);
            $this->workOut(array_values(array_filter($found, static fn (array $row): bool => $row['verdict'] === null)));
            [$found, $total, $waiting] = $this->look($choice, $limit, $offset);

            return new LedgerPage($this->lines($found, $compared), $total, $waiting);
        });
        if ($page !== null) {
            return $page;
        }
        // Nothing can be kept just now: what was worked out before is shown, and the others wait. Each can be looked at by itself.
        [$found, $total, $waiting] = $this->look($choice, $limit, $offset);
        $kept = array_values(array_filter($found, static fn (array $row): bool => $row['verdict'] !== null));

        return new LedgerPage($this->lines($kept, $compared), $total, max($waiting, \count($found) - \count($kept)));
    }

    /** @return array{list<array<string, mixed>>, int, int} rows, how many there are, how many wait */
    private function look(LedgerChoice $choice, int $limit, int $offset): array
    {
        [$where, $values] = $choice->runs($this->connection->getDatabasePlatform());
        $joins = '';
        if ($choice->verdict !== '') {
            $joins = self::STATES;
            $where .= ' AND w.verdict = ?';
            $values[] = $choice->verdict;
        }
        // Which runs are on the page is found first: what lies before it is stepped over in the index alone.
        $page = "SELECT s.run_id FROM run_state s $joins WHERE $where ORDER BY s.started_at, s.run_id LIMIT $limit OFFSET $offset";
        $found = $this->connection->fetchAllAssociative(
            'SELECT s.run_id AS id, s.instrument_id, s.person, s.task, s.place, s.started_at, s.stopped_at, c.policy_key, c.zone,'
                ." w.verdict, w.digest, w.said, w.summary FROM ($page) p JOIN run_state s ON s.run_id = p.run_id ".self::STATES
                .' ORDER BY s.started_at, s.run_id',
            $values,
        );
        $waiting = 0;
        if ($choice->verdict !== '') {
            [$any, $of] = $choice->runs($this->connection->getDatabasePlatform());
            $waiting = $this->count(self::STATES." WHERE $any AND w.run_id IS NULL", $of);
        }

        return [$found, $this->count("$joins WHERE $where", $values), $waiting];
    }

    /** @param list<string> $values */
    private function count(string $which, array $values): int
    {
        $count = $this->connection->fetchOne('SELECT COUNT(*) FROM run_state s '.$which, $values);

        return \is_numeric($count) ? (int) $count : 0;
    }

    /** @return list<array<string, mixed>> run and policy of some that wait */
    private function waiting(LedgerChoice $choice, int $limit): array
    {
        [$where, $values] = $choice->runs($this->connection->getDatabasePlatform());

        return $this->connection->fetchAllAssociative(
            'SELECT s.run_id AS id, c.policy_key FROM run_state s '.self::STATES." WHERE $where AND w.run_id IS NULL"
                ." ORDER BY s.started_at, s.run_id LIMIT $limit",
            $values,
        );
    }

    /**
     * Works out some of the runs that wait, whatever their campaign.
     *
     * @return int how many there were
     */
    public function fillIn(int $limit): int
    {
        $waiting = $this->waiting(new LedgerChoice(), $limit);
        $this->workOut($waiting);

        return \count($waiting);
    }

    /**
     * @param list<array<string, mixed>> $found
     * @param bool                       $compared whether decisions are held against what the runs say now
     *
     * @return list<LedgerRow>
     */
    private function lines(array $found, bool $compared): array
    {
        $practice = $this->practice->all();
        $decisions = $this->decisions->lastOf(array_map(static fn (array $row): string => Cells::text($row, 'id'), $found));
        $lines = [];
        foreach ($found as $row) {
            $summary = Cells::json($row, 'summary');
            $zone = new \DateTimeZone(Cells::text($row, 'zone'));
            $at = static fn (string $stored): string => (new \DateTimeImmutable($stored, new \DateTimeZone('UTC')))
                ->setTimezone($zone)->format(\DATE_ATOM);
            $decision = $decisions[Cells::text($row, 'id')] ?? null;
            /** @var array{shown: string, unit: string}|null $drift */
            $drift = $summary['drift'] ?? null;
            /** @var list<LedgerResult> $results */
            $results = $summary['results'] ?? [];
            /** @var list<Weighty> $weighty */
            $weighty = $summary['weighty'] ?? [];
            $lines[] = [
                'run' => Cells::text($row, 'id'),
                'instrument' => Cells::text($row, 'instrument_id'),
                'practice' => isset($practice['='.Cells::text($row, 'instrument_id')]),
                'person' => Cells::text($row, 'person'),
                'task' => Cells::text($row, 'task'),
                'place' => Cells::text($row, 'place'),
                'start' => $at(Cells::text($row, 'started_at')),
                'stop' => $row['stopped_at'] === null ? null : $at(Cells::text($row, 'stopped_at')),
                'verdict' => Cells::text($row, 'verdict'),
                'bracket' => $summary['bracket'] ?? null,
                'drift' => $drift,
                'standing' => $summary['standing'] ?? null,
                'headline' => $summary['headline'] ?? null,
                'results' => $results,
                'finding' => $weighty === []
                    ? null
                    : ($weighty[0]['channel'] === null ? '' : $weighty[0]['channel'].': ').$weighty[0]['title'],
                'findings' => \count($weighty),
                'cure' => array_column(array_column($weighty, 'cure'), 'evidence')[0] ?? null,
                'decision' => $decision === null ? null : self::decided($decision, $row, $at, $compared),
                'parts' => Cells::texts($summary, 'parts'),
                'weighty' => $weighty,
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

    /** @param list<array<string, mixed>> $rows each with a run and its policy */
    private function workOut(array $rows): void
    {
        $byPolicy = [];
        foreach ($rows as $row) {
            $byPolicy[Cells::text($row, 'policy_key')][] = Cells::text($row, 'id');
        }
        foreach ($byPolicy as $policy => $runs) {
            $this->workings->workOut($runs, $policy);
        }
    }
}
