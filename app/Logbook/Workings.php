<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Doctrine\DBAL\Statement;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Symfony\Component\DependencyInjection\Attribute\AutowireServiceClosure;

/** Works runs out when asked, and keeps what was worked out until new evidence comes. */
final readonly class Workings
{
    /** Runs that are kept in one transaction: few enough to hold in memory. */
    private const AT_ONCE = 50;

    /** How often runs are worked out anew because evidence came meanwhile, before the logbook is held still for it. */
    private const TRIES = 2;

    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE;

    /** Two requests may work out the same run at once; both come to the same, and the later one simply stands. */
    private const KEEP = 'INSERT INTO worked_run (run_id, policy_key, verdict, digest, said, summary, school, body)'
        .' VALUES (?, ?, ?, ?, ?, ?, ?, ?)'
        .' ON CONFLICT (run_id, policy_key) DO UPDATE SET verdict = excluded.verdict, digest = excluded.digest,'
        .' said = excluded.said, summary = excluded.summary, school = excluded.school, body = excluded.body';

    /** @param \Closure(): Assessor $assessor made only when something is worked out: it brings every rule with it */
    public function __construct(
        private Connection $connection,
        private Logbook $logbook,
        private Policies $policies,
        #[AutowireServiceClosure(Assessor::class)]
        private \Closure $assessor,
        private AssessmentWriter $writer,
        private Formats $families,
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
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            foreach ($this->connection->fetchAllAssociative(
                "SELECT run_id, verdict, summary FROM worked_run WHERE policy_key = ? AND run_id IN ($marks)",
                [$policy, ...$some],
            ) as $row) {
                $summaries[Cells::text($row, 'run_id')] = [...Cells::json($row, 'summary'), 'verdict' => Cells::text($row, 'verdict')];
            }
        }

        return $summaries;
    }

    private function freshly(string $run, string $policy): Worked
    {
        $this->workOut([$run], $policy);

        return $this->kept($run, $policy) ?? throw Problem::missing('Run '.$run);
    }

    private function kept(string $run, string $policy): ?Worked
    {
        $row = $this->connection->fetchAssociative(
            'SELECT digest, said, school, body FROM worked_run WHERE run_id = ? AND policy_key = ?',
            [$run, $policy],
        );

        return $row === false
            ? null
            : new Worked(
                Cells::text($row, 'digest'),
                Cells::text($row, 'said'),
                Cells::json($row, 'school'),
                Cells::blob($row['body']),
            );
    }

    /** What was worked out of a run, by the evidence of this moment: to be asked for within the transaction that relies on it. */
    public function now(string $run, string $policy): Worked
    {
        $this->connection->executeStatement('DELETE FROM worked_run WHERE run_id = ? AND policy_key = ?', [$run, $policy]);

        return $this->worked($run, $policy);
    }

    /**
     * Works out what is missing of these runs, and keeps it; what was worked out while evidence came is thrown away and worked
     * out again.
     *
     * @param list<string> $runs
     */
    public function workOut(array $runs, string $policy): void
    {
        for ($try = 0; $try < self::TRIES; ++$try) {
            $before = $this->head();
            foreach ($this->judge($runs, $policy) as $assessments) {
                $kept = $this->connection->transactional(function () use ($assessments, $policy, $before): bool {
                    $this->hold();
                    $isStill = $this->head() === $before;
                    if ($isStill) {
                        $this->keep($assessments, $policy);
                    }

                    return $isStill;
                });
                if (!$kept) {
                    continue 2;
                }
            }

            return;
        }
        $this->connection->transactional(function () use ($runs, $policy): void {
            $this->hold();
            foreach ($this->judge($runs, $policy) as $assessments) {
                $this->keep($assessments, $policy);
            }
        });
    }

    /** How far the journal reaches: it grows with every change of evidence. */
    private function head(): int
    {
        $sequence = $this->connection->fetchOne('SELECT sequence FROM journal_head WHERE id = 1');

        return \is_numeric($sequence) ? (int) $sequence : 0;
    }

    /** Takes the lock for writing before anything is read. */
    private function hold(): void
    {
        $this->connection->executeStatement('UPDATE journal_head SET sequence = sequence WHERE id = 1');
    }

    /**
     * Judges what is missing of these runs without keeping it; each instrument's evidence is read once.
     *
     * @param list<string> $runs
     *
     * @return \Generator<int, list<Assessment>> some at a time
     */
    public function judge(array $runs, string $policy): \Generator
    {
        /** @var array<int|string, array<int|string, string>> $missing */
        $missing = [];
        foreach (array_chunk($runs, 500) as $some) {
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            $rows = $this->connection->fetchAllNumeric(
                'SELECT r.id, r.instrument_id, r.campaign_id FROM run r '
                    .'LEFT JOIN worked_run w ON w.run_id = r.id AND w.policy_key = ? '
                    ."WHERE r.id IN ($marks) AND w.run_id IS NULL",
                [$policy, ...$some],
            );
            foreach ($rows as [$run, $instrument, $campaign]) {
                \assert(\is_string($run) && \is_string($instrument) && \is_string($campaign));
                $missing[$instrument][$run] = $campaign;
            }
        }
        $judge = $this->policies->get($policy);
        $timelines = [];
        $timeline = function (string $instrument) use (&$timelines): Timeline {
            return $timelines['='.$instrument] ??= $this->logbook->timeline($instrument);
        };
        $assessors = [];
        foreach ($missing as $instrument => $wanted) {
            $of = $timeline((string) $instrument);
            $ours = array_filter($of->runs, static fn (Run $run): bool => isset($wanted[$run->id]));
            foreach (array_chunk($ours, self::AT_ONCE) as $some) {
                $shifts = $this->shifts($some);
                $assessments = [];
                foreach ($some as $run) {
                    $campaign = $wanted[$run->id];
                    $assessors[$campaign] ??= new ShiftAssessor(($this->assessor)(), $judge, $this->yardsticks($campaign));
                    $assessments[] = $assessors[$campaign]->assess($run, $of, self::among($shifts[$run->id] ?? [], $timeline));
                }
                yield $assessments;
            }
        }
    }

    /**
     * The other runs of the same person around each of these: which of them share its shift is judged, by their times.
     *
     * @param list<Run> $runs
     *
     * @return array<string, list<array{string, string}>> run and instrument of the others, by run
     */
    private function shifts(array $runs): array
    {
        $shifts = [];
        $marks = implode(', ', array_fill(0, \count($runs), '?'));
        $platform = $this->connection->getDatabasePlatform();
        $since = $platform->getDateSubDaysExpression('r.started_at', '7');
        $until = $platform->getDateAddDaysExpression('r.started_at', '7');
        $sql = "SELECT r.id, o.id, o.instrument_id FROM run r
            JOIN run o ON o.shift_key = r.shift_key AND o.started_at BETWEEN $since AND $until
            WHERE r.id IN ($marks) AND r.shift_key <> '' AND o.id <> r.id";
        $ids = array_map(static fn (Run $run): string => $run->id, $runs);
        foreach ($this->connection->fetchAllNumeric($sql, $ids) as [$run, $other, $instrument]) {
            \assert(\is_string($run) && \is_string($other) && \is_string($instrument));
            $shifts[$run][] = [$other, $instrument];
        }

        return $shifts;
    }

    /**
     * Those runs, each with everything known of its unit.
     *
     * @param list<array{string, string}> $shift    run and instrument
     * @param \Closure(string): Timeline  $timeline
     *
     * @return list<array{Run, Timeline}>
     */
    private static function among(array $shift, \Closure $timeline): array
    {
        $found = [];
        foreach ($shift as [$id, $instrument]) {
            $of = $timeline($instrument);
            $run = $of->run($id);
            if ($run !== null) {
                $found[] = [$run, $of];
            }
        }

        return $found;
    }

    /** New evidence on an instrument: what was worked out of its runs goes. */
    public function forgetInstrument(string $instrument): void
    {
        $this->forget('instrument_id = ?', [$instrument]);
    }

    /**
     * New word of laboratories on media: what was worked out of their samples goes, and of all samples of the campaigns
     * whose blanks they are.
     *
     * @param list<string> $media
     */
    public function forgetMedia(array $media): void
    {
        foreach (array_chunk($media, 500) as $some) {
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            $this->forget("medium IN ($marks)", $some);
            $this->forget("medium IS NOT NULL AND campaign_id IN (SELECT campaign_id FROM blank WHERE medium IN ($marks))", $some);
        }
    }

    /**
     * The runs that are meant, and every run of the shifts that they are part of.
     *
     * @param list<string> $values
     */
    private function forget(string $which, array $values): void
    {
        $this->connection->executeStatement("DELETE FROM worked_run WHERE run_id IN (SELECT id FROM run WHERE $which)", $values);
        $this->connection->executeStatement(
            'DELETE FROM worked_run WHERE run_id IN (SELECT id FROM run WHERE shift_key IN (SELECT shift_key FROM run '
                ."WHERE shift_key <> '' AND $which))",
            $values,
        );
    }

    /** A log came or went: whose it is may be asked of every run that has it. */
    public function forgetLog(string $sha256): void
    {
        $this->forget('id IN (SELECT run_id FROM log_file WHERE sha256 = ?)', [$sha256]);
    }

    /** Logs came in that may stand under other runs already. */
    public function forgetSharedLogs(): void
    {
        $this->forget(
            'id IN (SELECT run_id FROM log_file WHERE sha256 IN (SELECT sha256 FROM log_file GROUP BY sha256 HAVING COUNT(*) > 1))',
            [],
        );
    }

    /** A unit of that name was registered: logs that name it may be its own, and no other's. */
    public function forgetLogsNaming(string $name): void
    {
        $this->forget(
            'id IN (SELECT run_id FROM log_file'
                ." WHERE REPLACE(LOWER(head), LOWER(?), '') <> LOWER(head) OR REPLACE(LOWER(name), LOWER(?), '') <> LOWER(name))",
            [$name, $name],
        );
    }

    /** New evidence on a reference: what leaned on it goes. */
    public function forgetReference(string $reference): void
    {
        $this->forget(
            'instrument_id IN (SELECT c.instrument_id FROM check_record c JOIN check_leaning l ON l.check_id = c.id '
                .'WHERE l.reference_id = ?)',
            [$reference],
        );
    }

    public function forgetAll(): void
    {
        $this->connection->executeStatement('DELETE FROM worked_run');
    }

    public function forgetCampaign(string $campaign): void
    {
        $this->connection->executeStatement(
            'DELETE FROM worked_run WHERE run_id IN (SELECT id FROM run WHERE campaign_id = ?)',
            [$campaign],
        );
    }

    public function yardsticks(string $campaign): Yardsticks
    {
        $json = $this->connection->fetchOne('SELECT yardsticks FROM campaign WHERE id = ?', [$campaign]);
        if (!\is_string($json)) {
            throw Problem::missing('Campaign '.$campaign);
        }

        return (new EvidenceReader($this->families))->yardsticks(Fields::of(json_decode($json, true, 32, \JSON_THROW_ON_ERROR)));
    }

    /** @param list<Assessment> $assessments */
    private function keep(array $assessments, string $policy): void
    {
        $keeping = $this->connection->prepare(self::KEEP);
        foreach ($assessments as $assessment) {
            $this->keepOne($assessment, $policy, $keeping);
        }
    }

    private function keepOne(Assessment $assessment, string $policy, Statement $keeping): void
    {
        $body = $this->writer->write($assessment);
        $json = json_encode($body, self::JSON | \JSON_UNESCAPED_SLASHES);
        $values = [
            $assessment->run->id,
            $policy,
            $assessment->verdict->value,
            hash('sha256', $json),
            Saying::digest(Saying::of($body)),
            json_encode(LedgerLine::of($assessment, $body), self::JSON),
            json_encode(Worked::school($body), self::JSON),
        ];
        foreach ($values as $place => $value) {
            $keeping->bindValue($place + 1, $value);
        }
        $keeping->bindValue(\count($values) + 1, Cells::packed($json, 1), ParameterType::LARGE_OBJECT);
        $keeping->executeStatement();
    }
}
