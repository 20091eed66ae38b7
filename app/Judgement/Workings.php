<?php

declare(strict_types=1);

namespace Footnote\App\Judgement;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Statement;
use Footnote\App\Http\Problem;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\RecordReader;
use Symfony\Component\DependencyInjection\Attribute\AutowireServiceClosure;

/** Works runs out when asked, and keeps what was worked out until new evidence comes. */
final readonly class Workings
{
    /** Runs that are kept in one transaction: few enough to hold in memory. */
    private const AT_ONCE = 50;

    private const JSON = \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE;

    /** Two requests may work out the same run at once; both come to the same, and the later one simply stands. */
    private const KEEP = 'INSERT OR REPLACE INTO worked_run (run_id, policy_key, verdict, digest, summary, school, body) VALUES (?, ?, ?, ?, ?, ?, ?)';

    /** @param \Closure(): Assessor $assessor made only when something is worked out: it brings every rule with it */
    public function __construct(
        private Connection $connection,
        private Logbook $logbook,
        private Policies $policies,
        #[AutowireServiceClosure(Assessor::class)]
        private \Closure $assessor,
        private AssessmentWriter $writer,
    ) {
    }

    /** What was worked out of a run under a policy. */
    public function worked(string $run, string $policy): Worked
    {
        return $this->kept($run, $policy) ?? $this->freshly($run, $policy);
    }

    private function freshly(string $run, string $policy): Worked
    {
        $this->workOut([$run], $policy);

        return $this->kept($run, $policy) ?? throw Problem::missing('Run '.$run);
    }

    private function kept(string $run, string $policy): ?Worked
    {
        $row = $this->connection->fetchAssociative('SELECT digest, school, body FROM worked_run WHERE run_id = ? AND policy_key = ?', [$run, $policy]);

        return $row === false ? null : new Worked(Logbook::text($row, 'digest'), Logbook::json($row, 'school'), Logbook::blob($row['body']));
    }

    /**
     * Works out what is missing of these runs, and keeps it.
     *
     * @param list<string> $runs
     */
    public function workOut(array $runs, string $policy): void
    {
        foreach ($this->judge($runs, $policy) as $assessments) {
            $this->connection->transactional(function () use ($assessments, $policy): void {
                $keeping = $this->connection->prepare(self::KEEP);
                foreach ($assessments as $assessment) {
                    $this->keep($assessment, $policy, $keeping);
                }
            });
        }
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
        $missing = [];
        foreach (array_chunk($runs, 500) as $some) {
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            foreach ($this->connection->fetchAllNumeric("SELECT r.id, r.instrument_id, r.campaign_id FROM run r LEFT JOIN worked_run w ON w.run_id = r.id AND w.policy_key = ? WHERE r.id IN ($marks) AND w.run_id IS NULL", [$policy, ...$some]) as [$run, $instrument, $campaign]) {
                \assert(\is_string($run) && \is_string($instrument) && \is_string($campaign));
                $missing[$instrument][$run] = $campaign;
            }
        }
        $judge = $this->policies->get($policy);
        $timelines = [];
        $timeline = function (string $instrument) use (&$timelines): Timeline {
            return $timelines[$instrument] ??= $this->logbook->timeline($instrument);
        };
        $assessors = [];
        foreach ($missing as $instrument => $wanted) {
            $of = $timeline($instrument);
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
     * The other runs that share the shift of each of these.
     *
     * @param list<Run> $runs
     *
     * @return array<string, list<array{string, string}>> run and instrument of the others, by run
     */
    private function shifts(array $runs): array
    {
        $shifts = [];
        $marks = implode(', ', array_fill(0, \count($runs), '?'));
        foreach ($this->connection->fetchAllNumeric("SELECT r.id, o.id, o.instrument_id FROM run r JOIN run o ON o.shift_key = r.shift_key WHERE r.id IN ($marks) AND r.shift_key <> '' AND o.id <> r.id", array_map(static fn (Run $run): string => $run->id, $runs)) as [$run, $other, $instrument]) {
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
        $this->connection->executeStatement("DELETE FROM worked_run WHERE run_id IN (SELECT id FROM run WHERE shift_key IN (SELECT shift_key FROM run WHERE shift_key <> '' AND $which))", $values);
    }

    /** New evidence on a reference: what leaned on it goes. */
    public function forgetReference(string $reference): void
    {
        $this->forget('instrument_id IN (SELECT c.instrument_id FROM check_record c JOIN check_leaning l ON l.check_id = c.id WHERE l.reference_id = ?)', [$reference]);
    }

    public function forgetAll(): void
    {
        $this->connection->executeStatement('DELETE FROM worked_run');
    }

    public function forgetCampaign(string $campaign): void
    {
        $this->connection->executeStatement('DELETE FROM worked_run WHERE run_id IN (SELECT id FROM run WHERE campaign_id = ?)', [$campaign]);
    }

    public function yardsticks(string $campaign): Yardsticks
    {
        $json = $this->connection->fetchOne('SELECT yardsticks FROM campaign WHERE id = ?', [$campaign]);
        if (!\is_string($json)) {
            throw Problem::missing('Campaign '.$campaign);
        }

        return (new RecordReader())->yardsticks(Fields::of(json_decode($json, true, 32, \JSON_THROW_ON_ERROR)));
    }

    private function keep(Assessment $assessment, string $policy, Statement $keeping): void
    {
        $body = $this->writer->write($assessment);
        $json = json_encode($body, self::JSON | \JSON_UNESCAPED_SLASHES);
        $values = [
            $assessment->run->id,
            $policy,
            $assessment->verdict->value,
            hash('sha256', $json),
            json_encode(LedgerLine::of($assessment, $body), self::JSON),
            json_encode(Worked::school($body), self::JSON),
            Logbook::packed($json, 1),
        ];
        foreach ($values as $place => $value) {
            $keeping->bindValue($place + 1, $value);
        }
        $keeping->executeStatement();
    }
}
