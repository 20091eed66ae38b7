<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Statement;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\WriteLock;

/** Works runs out when asked, and keeps what was worked out for as long as nothing that it rests on has changed. */
final readonly class Workings
{
    /** Runs that are kept in one transaction: few enough that what was done is kept, should it take too long. */
    private const AT_ONCE = 16;

    /** How often runs are worked out anew because evidence came meanwhile, before the logbook is held still for it. */
    private const TRIES = 2;

    /** What is kept of a run, where it is of the versions that the run and its campaign are at. */
    public const CURRENT = 'w.run_id = s.run_id AND w.run_version = s.version AND w.campaign_version = c.version';

    /** Two requests may work out the same run at once; both come to the same, and the later one simply stands. */
    private const KEEP = 'INSERT INTO worked_run'
        .' (run_id, policy_key, run_version, campaign_version, verdict, digest, said, summary, school, body)'
        .' VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?) ON CONFLICT (run_id, policy_key) DO UPDATE SET run_version = excluded.run_version,'
        .' campaign_version = excluded.campaign_version, verdict = excluded.verdict, digest = excluded.digest,'
        .' said = excluded.said, summary = excluded.summary, school = excluded.school, body = excluded.body';

    private const SETTLE = 'UPDATE run_state SET settled_until = ? WHERE run_id = ? AND (settled_until = ? OR settled_until < ?)';

    public function __construct(
        private Connection $connection,
        private Judging $judging,
        private WriteLock $lock,
        private Release $release,
    ) {
    }

    /** What was worked out of a run under a policy. */
    public function worked(string $run, string $policy): Worked
    {
        return $this->kept($run, $policy) ?? $this->freshly($run, $policy);
    }

    /**
     * What the ledger shows of runs that were worked out under a policy.
     *
     * @param list<string> $runs
     *
     * @return array<array-key, array<string, mixed>> with the verdict, by run
     */
    public function summaries(array $runs, string $policy): array
    {
        $summaries = [];
        foreach (array_chunk($runs, 500) as $some) {
            $rows = $this->connection->executeQuery(
                'SELECT s.run_id, w.verdict, w.summary FROM run_state s JOIN campaign c ON c.id = s.campaign_id JOIN worked_run w ON '
                    .self::CURRENT.' WHERE w.policy_key = :policy AND s.run_id IN (:runs)',
                ['policy' => $policy, 'runs' => $some],
                ['runs' => ArrayParameterType::STRING],
            );
            foreach ($rows->fetchAllAssociative() as $row) {
                $summaries[Cells::text($row, 'run_id')] = [...Cells::json($row, 'summary'), 'verdict' => Cells::text($row, 'verdict')];
            }
        }

        return $summaries;
    }

    /**
     * What days show of runs that were worked out, each under the policy of its campaign.
     *
     * @param list<string> $runs
     *
     * @return array<string, array{verdict: string, bracket: mixed, standing: mixed}> by = and the run
     */
    public function verdicts(array $runs): array
    {
        $verdicts = [];
        foreach (array_chunk($runs, 500) as $some) {
            $rows = $this->connection->executeQuery(
                "SELECT s.run_id, w.verdict, w.summary -> 'bracket' AS bracket, w.summary -> 'standing' AS standing"
                    .' FROM run_state s JOIN campaign c ON c.id = s.campaign_id JOIN worked_run w ON '.self::CURRENT
                    .' WHERE w.policy_key = c.policy_key AND s.run_id IN (:runs)',
                ['runs' => $some],
                ['runs' => ArrayParameterType::STRING],
            );
            foreach ($rows->fetchAllAssociative() as $row) {
                $verdicts['='.Cells::text($row, 'run_id')] = [
                    'verdict' => Cells::text($row, 'verdict'),
                    'bracket' => json_decode(Cells::text($row, 'bracket'), true, 8, \JSON_THROW_ON_ERROR),
                    'standing' => json_decode(Cells::text($row, 'standing'), true, 8, \JSON_THROW_ON_ERROR),
                ];
            }
        }

        return $verdicts;
    }

    /**
     * What was worked out of runs, each under the policy of its campaign; of those of which nothing is kept that counts, nothing.
     *
     * @param list<string> $runs few enough to hold in memory
     *
     * @return array<string, Worked> by = and the run
     */
    public function ofCampaigns(array $runs): array
    {
        $worked = [];
        foreach ($this->connection->executeQuery(
            'SELECT s.run_id, w.digest, w.said, w.school, w.body FROM run_state s JOIN campaign c ON c.id = s.campaign_id'
                .' JOIN worked_run w ON '.self::CURRENT.' WHERE w.policy_key = c.policy_key AND s.run_id IN (:runs)',
            ['runs' => $runs],
            ['runs' => ArrayParameterType::STRING],
        )->fetchAllAssociative() as $row) {
            $worked['='.Cells::text($row, 'run_id')] = self::read($row);
        }

        return $worked;
    }

    /** @param array<string, mixed> $row */
    private static function read(array $row): Worked
    {
        return new Worked(
            Cells::text($row, 'digest'),
            Cells::text($row, 'said'),
            Cells::json($row, 'school'),
            Cells::blob($row['body'] ?? null),
        );
    }

    private function freshly(string $run, string $policy): Worked
    {
        $kept = $this->workOut([$run], $policy);

        return $kept[0]->worked ?? $this->kept($run, $policy) ?? throw Problem::missing('Run '.$run);
    }

    private function kept(string $run, string $policy): ?Worked
    {
        $row = $this->connection->fetchAssociative(
            'SELECT w.digest, w.said, w.school, w.body FROM run_state s JOIN campaign c ON c.id = s.campaign_id JOIN worked_run w ON '
                .self::CURRENT.' WHERE s.run_id = ? AND w.policy_key = ?',
            [$run, $policy],
        );

        return $row === false ? null : self::read($row);
    }

    /** A run judged by the evidence of this moment, whatever is kept. */
    public function fresh(string $run, string $policy): Judged
    {
        return $this->judging->judge([$run], $policy)[0][0] ?? throw Problem::missing('Run '.$run);
    }

    /** Whether nothing that a run was judged by has changed: to be asked within the transaction that relies on it. */
    public function holds(Judged $judged): bool
    {
        return $judged->seen->holds($this->judging->now([$judged])['='.$judged->run] ?? null, $judged->until());
    }

    /**
     * Works out what is missing of these runs, and keeps it; what was worked out while evidence came is worked out again.
     *
     * @param list<string> $runs
     * @param bool         $again also what is there
     *
     * @return list<Judged> the last that were worked out
     */
    public function workOut(array $runs, string $policy, bool $again = false): array
    {
        $kept = [];
        foreach (array_chunk($again ? $runs : $this->missing($runs, $policy), self::AT_ONCE) as $some) {
            $kept = $this->workOutAtOnce($some, $policy);
        }

        return $kept;
    }

    /**
     * Works out what is missing of these runs as far as it gets, a few at a time: where units with a long past are judged for the
     * first time, a page that shows many shows what there is, and who asks again finds more.
     *
     * @param list<string> $runs
     * @param float        $seconds after which no more is begun
     */
    public function workOutSome(array $runs, string $policy, float $seconds): void
    {
        $began = hrtime(true);
        foreach (array_chunk($this->missing($runs, $policy), self::AT_ONCE) as $some) {
            if (hrtime(true) - $began > 1e9 * $seconds) {
                return;
            }
            $this->workOutAtOnce($some, $policy);
        }
    }

    /**
     * @param list<string> $some
     *
     * @return list<Judged> the last that were worked out
     */
    private function workOutAtOnce(array $some, string $policy): array
    {
        $kept = [];
        for ($try = 0; $try < self::TRIES && $some !== []; ++$try) {
            [$kept, $some] = $this->keep($this->judging->judge($some, $policy), $policy);
        }

        return $some === [] ? $kept : $this->lock->holding(
            fn (): array => $this->keep($this->judging->judge($some, $policy), $policy)[0],
        );
    }

    /**
     * @param list<string> $runs
     *
     * @return list<string> those of which nothing is kept that counts, by their start: runs of one shift lie near each other
     */
    private function missing(array $runs, string $policy): array
    {
        $missing = [];
        foreach (array_chunk($runs, 500) as $some) {
            $found = $this->connection->executeQuery(
                'SELECT s.run_id FROM run_state s JOIN campaign c ON c.id = s.campaign_id'
                    .' LEFT JOIN worked_run w ON '.self::CURRENT.' AND w.policy_key = :policy'
                    .' WHERE s.run_id IN (:runs) AND w.run_id IS NULL ORDER BY s.started_at, s.run_id',
                ['policy' => $policy, 'runs' => $some],
                ['runs' => ArrayParameterType::STRING],
            )->fetchFirstColumn();
            array_push($missing, ...array_values(array_filter($found, \is_string(...))));
        }

        return $missing;
    }

    /**
     * Keeps what still holds.
     *
     * @param array{list<Judged>, list<StoredMarks>} $worked
     *
     * @return array{list<Judged>, list<string>} what was kept, and the runs whose evidence changed meanwhile
     */
    private function keep(array $worked, string $policy): array
    {
        [$judged, $marks] = $worked;
        $kept = $this->lock->holdingWherePossible(function () use ($judged, $marks, $policy): array {
            if ($this->release->isOfAnother()) {
                throw new Problem(503, 'Footnote was upgraded while this was worked out. Ask again.');
            }
            $now = $this->judging->now($judged);
            $kept = array_values(array_filter(
                $judged,
                static fn (Judged $one): bool => $one->seen->holds($now['='.$one->run] ?? null, $one->until()),
            ));
            $keeping = $this->connection->prepare(self::KEEP);
            $settling = $this->connection->prepare(self::SETTLE);
            foreach ($kept as $one) {
                self::keepOne($one, $policy, $keeping, $settling);
            }
            $changed = array_udiff($judged, $kept, static fn (Judged $a, Judged $b): int => $a->run <=> $b->run);
            foreach ($changed === [] ? $marks : [] as $some) {
                $some->write($this->connection);
            }

            return [$kept, array_values(array_map(static fn (Judged $one): string => $one->run, $changed))];
        });

        // What cannot be kept is still shown.
        return $kept ?? [$judged, []];
    }

    private static function keepOne(Judged $judged, string $policy, Statement $keeping, Statement $settling): void
    {
        $row = $judged->row($policy);
        foreach ($row as $place => $value) {
            $keeping->bindValue($place + 1, $value, \is_int($value) ? ParameterType::INTEGER : ParameterType::STRING);
        }
        $keeping->bindValue(\count($row) + 1, $judged->packed, ParameterType::LARGE_OBJECT);
        $keeping->executeStatement();
        foreach ($judged->until as $key => $until) {
            $run = substr($key, 1);
            foreach ([$until, $run, RunState::UNKNOWN, $until] as $place => $value) {
                $settling->bindValue($place + 1, $value);
            }
            $settling->executeStatement();
        }
    }
}
