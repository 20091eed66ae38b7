<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\App\Storage\WriteLock;

/**
 * What is made of evidence is made again and compared: where runs stand, what checks lean on, what was worked out, the numbers that
 * were given; and passwords, with what the journal says of them. It judges every run again, so it takes as long as that; nobody
 * writes meanwhile. On a backup nobody waits for it.
 */
final readonly class ProjectionCheck
{
    private const AT_ONCE = 50;

    public function __construct(
        private Connection $connection,
        private Logbook $logbook,
        private Judging $judging,
        private WriteLock $lock,
    ) {
    }

    /** @return list<string> what is another than the evidence says, a sentence each */
    public function faults(): array
    {
        $faults = [];
        $this->connection->beginTransaction();
        try {
            $this->lock->take();
            // Nothing that was kept helps to say what the evidence says.
            $this->connection->executeStatement('DELETE FROM check_mark');
            foreach ([$this->ofRuns(), $this->ofUnits(), $this->ofWorkings(), $this->ofNumbers(), $this->ofSecrets()] as $found) {
                array_push($faults, ...$found);
            }
        } finally {
            $this->connection->rollBack();
        }
        // What lists show of units is worked out again at the next look at them.
        $this->connection->executeStatement('DELETE FROM unit_line');

        return $faults;
    }

    /** @return iterable<string> */
    private function ofRuns(): iterable
    {
        foreach (array_chunk($this->connection->fetchFirstColumn('SELECT id FROM run ORDER BY id'), self::AT_ONCE) as $some) {
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            foreach ($this->logbook->runRecords("r.id IN ($marks)", array_values(array_filter($some, \is_string(...)))) as $record) {
                $run = $this->logbook->coreRun($record);
                $said = RunState::of($run, Cells::text($record, 'campaign'), $record)->columns();
                $columns = implode(', ', array_keys($said));
                if ($this->connection->fetchAssociative("SELECT $columns FROM run_state WHERE run_id = ?", [$run->id]) !== $said) {
                    yield \sprintf('where run %s stands is not what its facts say', $run->id);
                }
            }
        }
    }

    /** @return iterable<string> */
    private function ofUnits(): iterable
    {
        foreach ($this->logbook->instruments() as $unit) {
            $leanings = $this->connection->fetchAllAssociative(
                'SELECT check_id, reference_id, checked_at FROM check_leaning WHERE instrument_id = ?',
                [$unit],
            );
            $kept = array_map(static fn (array $row): string => implode('|', array_filter($row, \is_string(...))), $leanings);
            $said = [];
            foreach ($this->logbook->everyCheck($unit) as $check) {
                foreach ($check->leansOn() as $reference) {
                    $said[] = implode('|', [$check->id, $reference, Moments::text($check->at)]);
                }
            }
            foreach ([...array_diff($kept, $said), ...array_diff($said, $kept)] as $one) {
                yield \sprintf('what check %s leans on is not what it says', explode('|', $one)[0]);
            }
        }
    }

    /** @return iterable<string> */
    private function ofWorkings(): iterable
    {
        $kept = [];
        foreach ($this->connection->iterateAssociative(
            'SELECT s.run_id, w.policy_key, w.verdict, w.digest, w.said, w.summary, w.school, w.body FROM run_state s'
                .' JOIN campaign c ON c.id = s.campaign_id JOIN worked_run w ON '.Workings::CURRENT.' ORDER BY w.policy_key, s.started_at',
        ) as $row) {
            $kept[Cells::text($row, 'policy_key')]['='.Cells::text($row, 'run_id')] = self::told(
                [Cells::text($row, 'verdict'), Cells::text($row, 'digest'), Cells::text($row, 'said')],
                [Cells::json($row, 'summary'), Cells::json($row, 'school')],
                Cells::blob($row['body']),
            );
        }
        foreach ($kept as $policy => $runs) {
            foreach (array_chunk(array_keys($runs), self::AT_ONCE) as $some) {
                [$judged] = $this->judging->judge(array_map(static fn (string $key): string => substr($key, 1), $some), $policy);
                foreach ($judged as $one) {
                    $said = self::told(
                        [$one->verdict, $one->worked->digest, $one->worked->said],
                        [$one->summary, $one->worked->school],
                        $one->worked->json,
                    );
                    if ($said !== $runs['='.$one->run]) {
                        yield \sprintf('what is kept of run %s, judged by %s, is not what the evidence says', $one->run, $policy);
                    }
                }
            }
        }
    }

    /**
     * @param list<string> $words
     * @param list<mixed>  $data
     */
    private static function told(array $words, array $data, string $body): string
    {
        // As the database gives it back.
        $data = json_decode(json_encode($data, \JSON_THROW_ON_ERROR), true, 64, \JSON_THROW_ON_ERROR);

        return hash('sha256', json_encode([$words, $data], \JSON_THROW_ON_ERROR).$body);
    }

    /** @return iterable<string> */
    private function ofSecrets(): iterable
    {
        $chosen = [];
        $entries = "SELECT payload FROM journal_entry WHERE kind = 'password chosen' ORDER BY sequence";
        foreach ($this->connection->iterateColumn($entries) as $payload) {
            $told = json_decode(\is_string($payload) ? $payload : '', true);
            if (\is_array($told) && \is_string($told['person'] ?? null) && \is_string($told['digest'] ?? null)) {
                $chosen['='.$told['person']] = $told['digest'];
            }
        }
        foreach ($this->connection->fetchAllAssociative("SELECT person, password FROM person_secret WHERE password <> ''") as $row) {
            $name = Cells::text($row, 'person');
            if (($chosen['='.$name] ?? null) !== null && $chosen['='.$name] !== hash('sha256', Cells::text($row, 'password'))) {
                yield \sprintf('what %s signs in by is not what was chosen', $name);
            }
        }
    }

    /** @return iterable<string> */
    private function ofNumbers(): iterable
    {
        foreach (['C-' => 'check_record', 'R-' => 'run', 'I-' => 'intervention'] as $prefix => $table) {
            $last = $this->connection->fetchOne('SELECT last FROM number_given WHERE prefix = ?', [$prefix]);
            $newest = \sprintf('%s%05d', $prefix, is_numeric($last) ? (int) $last : 0);
            if ($last !== false && $this->connection->fetchOne("SELECT 1 FROM $table WHERE id = ?", [$newest]) === false) {
                yield \sprintf('%s is the last number that was given, and it is not there', $newest);
            }
        }
    }
}
