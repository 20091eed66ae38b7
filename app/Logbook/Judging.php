<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\ArrayParameterType;
use Doctrine\DBAL\Connection;
use Doctrine\DBAL\ParameterType;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\Moments;
use Footnote\App\Storage\Prepared;
use Footnote\App\Storage\Snapshot;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\ShiftAssessor;
use Footnote\Core\Judgement\Yardsticks;
use Footnote\Core\Quantity\Span;
use Footnote\Core\Record\AssessmentWriter;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Symfony\Component\DependencyInjection\Attribute\AutowireServiceClosure;

/**
 * Judges runs by the evidence of one moment, and says what it was worked out of. It writes nothing; what it read it uses again for as
 * long as the journal stands where it stood.
 */
final class Judging
{
    /** Runs after which what was read is let go: few enough to hold in memory. */
    private const AT_ONCE = 1000;

    private ?JudgingSession $session = null;

    /** @param \Closure(): Assessor $assessor made only when something is worked out: it brings every rule with it */
    public function __construct(
        private readonly Connection $connection,
        private readonly Prepared $prepared,
        private readonly Snapshot $snapshot,
        private readonly Logbook $logbook,
        private readonly Policies $policies,
        #[AutowireServiceClosure(Assessor::class)]
        private readonly \Closure $assessor,
        private readonly AssessmentWriter $writer,
        private readonly Formats $families,
    ) {
    }

    /** Judges as if a recall stood that nobody has made; what it comes to is kept nowhere. */
    public function supposing(SupposedRecall $recall): self
    {
        return new self(
            $this->connection,
            $this->prepared,
            $this->snapshot,
            $this->logbook->supposing($recall),
            $this->policies,
            $this->assessor,
            $this->writer,
            $this->families,
        );
    }

    /**
     * @param list<string> $runs few enough to hold in memory
     *
     * @return array{list<Judged>, list<StoredMarks>} those of the runs that there are, and the marks that were made on the way
     */
    public function judge(array $runs, string $policy): array
    {
        return $this->snapshot->during(fn (): array => $this->atOnce($runs, $policy));
    }

    /**
     * @param list<string> $runs
     *
     * @return array{list<Judged>, list<StoredMarks>}
     */
    private function atOnce(array $runs, string $policy): array
    {
        $session = $this->session($policy);
        $found = $this->states($runs);
        $shifts = $this->shifts($found);
        $wanted = [];
        foreach ($found as $key => $state) {
            foreach ([[$state['run'], $state['instrument']], ...$shifts[$key] ?? []] as [$run, $unit]) {
                $wanted['='.$unit][] = $run;
            }
        }
        $read = [];
        $timeline = function (string $unit) use ($session, $wanted, &$read): Timeline {
            return $read['='.$unit] ??= $session->unit($unit, fn (): StoredUnit => $this->logbook->unit($unit))
                ->expecting($wanted['='.$unit] ?? [])->timeline;
        };
        $versions = $this->versions(array_map(static fn (string $key): string => substr($key, 1), array_keys($wanted)));
        $judged = [];
        foreach ($found as $key => $state) {
            $of = $timeline($state['instrument']);
            $run = $of->run($state['run']);
            if ($run === null) {
                continue;
            }
            $assessor = $session->assessor($state['campaign'], fn (Policy $by): ShiftAssessor => new ShiftAssessor(
                ($this->assessor)(),
                $by,
                $this->yardsticks($state['campaign']),
            ));
            $mates = $shifts[$key] ?? [];
            $assessment = $assessor->assess($run, $of, self::among($mates, $timeline));
            $units = array_map(static fn (string $unit): string => '='.$unit, [$state['instrument'], ...array_column($mates, 1)]);
            $judged[] = Judged::of(
                $assessment,
                $this->writer->write($assessment),
                $assessor->reaches(),
                self::seen($state, $units, $versions),
            );
        }

        return [$judged, $session->marks()];
    }

    /** What was read by then, where nothing was written since. */
    private function session(string $policy): JudgingSession
    {
        $sequence = $this->prepared->rows('SELECT sequence FROM journal_head WHERE id = 1', [])[0]['sequence'] ?? 0;
        $head = \is_numeric($sequence) ? (int) $sequence : 0;
        if ($this->session === null || !$this->session->serves($head, $policy) || $this->session->judged() >= self::AT_ONCE) {
            $this->session = new JudgingSession($head, $policy, $this->policies->get($policy));
        }

        return $this->session;
    }

    /**
     * What some runs and units are at now, to be held against what an assessment saw.
     *
     * @param list<Judged> $judged
     *
     * @return array<string, Seen> by = and the run
     */
    public function now(array $judged): array
    {
        $states = $this->states(array_map(static fn (Judged $one): string => $one->run, $judged));
        $units = [];
        foreach ($judged as $one) {
            foreach (array_keys($one->seen->units) as $key) {
                $units[] = substr($key, 1);
            }
        }
        $versions = $this->versions($units);
        $now = [];
        foreach ($judged as $one) {
            $state = $states['='.$one->run] ?? null;
            if ($state !== null) {
                $now['='.$one->run] = self::seen($state, array_keys($one->seen->units), $versions);
            }
        }

        return $now;
    }

    /**
     * @param array{version: int, settled: string, campaignVersion: int} $state    of a run
     * @param list<string>                                               $units    = and their identifiers
     * @param array<string, int>                                         $versions of units; one without evidence has none
     */
    private static function seen(array $state, array $units, array $versions): Seen
    {
        $seen = [];
        foreach ($units as $unit) {
            $seen[$unit] = $versions[$unit] ?? 0;
        }

        return new Seen($state['version'], $state['campaignVersion'], $state['settled'], $seen);
    }

    /**
     * @param list<string> $runs
     *
     * @return array<string, array{
     *     run: string, start: string, instrument: string, campaign: string, version: int, settled: string, campaignVersion: int,
     * }> by = and the run, by their start
     */
    private function states(array $runs): array
    {
        $states = [];
        foreach ($this->connection->executeQuery(
            'SELECT s.run_id, s.started_at, s.instrument_id, s.campaign_id, s.version, s.settled_until, c.version AS campaign_version'
                .' FROM run_state s JOIN campaign c ON c.id = s.campaign_id WHERE s.run_id IN (?)'
                .' ORDER BY s.started_at, s.run_id',
            [$runs],
            [ArrayParameterType::STRING],
        )->fetchAllAssociative() as $row) {
            $states['='.Cells::text($row, 'run_id')] = [
                'run' => Cells::text($row, 'run_id'),
                'start' => Cells::text($row, 'started_at'),
                'instrument' => Cells::text($row, 'instrument_id'),
                'campaign' => Cells::text($row, 'campaign_id'),
                'version' => (int) Cells::text($row, 'version'),
                'settled' => Cells::text($row, 'settled_until'),
                'campaignVersion' => (int) Cells::text($row, 'campaign_version'),
            ];
        }

        return $states;
    }

    /**
     * @param list<string> $units
     *
     * @return array<string, int> by = and the unit; one without evidence has none
     */
    private function versions(array $units): array
    {
        $versions = [];
        foreach ($this->connection->executeQuery(
            'SELECT instrument_id, version FROM instrument_state WHERE instrument_id IN (?)',
            [array_values(array_unique($units))],
            [ArrayParameterType::STRING],
        )->fetchAllAssociative() as $row) {
            $versions['='.Cells::text($row, 'instrument_id')] = (int) Cells::text($row, 'version');
        }

        return $versions;
    }

    /**
     * The other runs of the same person around each of these: which of them share its shift is judged, by their times.
     *
     * @param array<string, array{run: string, start: string}> $found
     *
     * @return array<string, list<array{string, string}>> run and instrument of the others, by = and the run
     */
    private function shifts(array $found): array
    {
        $shifts = [];
        $starts = array_map(static fn (array $state): string => $state['start'], array_values($found));
        if ($starts === []) {
            return [];
        }
        $within = 86400 * RunState::SHIFT;
        $rows = $this->connection->executeQuery(
            'SELECT r.run_id, o.run_id, o.instrument_id, r.started_at, o.started_at FROM run_state r'
                .' JOIN run_state o ON o.shift_key = r.shift_key AND o.run_id <> r.run_id AND o.started_at BETWEEN ? AND ?'
                ." WHERE r.run_id IN (?) AND r.shift_key <> '' ORDER BY o.started_at, o.run_id",
            [
                Moments::text(Span::shift(Moments::of(min($starts)), -$within)),
                Moments::text(Span::shift(Moments::of(max($starts)), $within)),
                array_map(static fn (array $state): string => $state['run'], array_values($found)),
            ],
            [ParameterType::STRING, ParameterType::STRING, ArrayParameterType::STRING],
        )->fetchAllNumeric();
        foreach ($rows as [$run, $other, $instrument, $start, $its]) {
            \assert(\is_string($run) && \is_string($other) && \is_string($instrument) && \is_string($start) && \is_string($its));
            if (abs(Span::secondsBetween(Moments::of($start), Moments::of($its))) <= $within) {
                $shifts['='.$run][] = [$other, $instrument];
            }
        }

        return $shifts;
    }

    /**
     * Those runs, each with everything known of its unit; read only where they are asked for.
     *
     * @param list<array{string, string}> $shift    run and instrument
     * @param \Closure(string): Timeline  $timeline
     *
     * @return iterable<array{Run, Timeline}>
     */
    private static function among(array $shift, \Closure $timeline): iterable
    {
        foreach ($shift as [$id, $instrument]) {
            $of = $timeline($instrument);
            $run = $of->run($id);
            if ($run !== null) {
                yield [$run, $of];
            }
        }
    }

    public function yardsticks(string $campaign): Yardsticks
    {
        $json = $this->connection->fetchOne('SELECT yardsticks FROM campaign WHERE id = ?', [$campaign]);
        if (!\is_string($json)) {
            throw Problem::missing('Campaign '.$campaign);
        }

        return (new EvidenceReader($this->families))->yardsticks(Fields::of(json_decode($json, true, 32, \JSON_THROW_ON_ERROR)));
    }
}
