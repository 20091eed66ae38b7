<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Platforms\SQLitePlatform;
use Doctrine\ORM\EntityManagerInterface;
use Footnote\App\Logbook\Row\Campaign;
use Footnote\App\Logbook\Row\RunState;
use Footnote\App\Storage\Moments;

/**
 * What a change touches: the runs that must be judged again for it, and the runs of the shifts that they are part of. Each takes
 * the journal's sequence of the change as its version. To be told within the change, after what it writes.
 */
final readonly class Touches
{
    private const VERSION = '(SELECT sequence FROM journal_head WHERE id = 1)';
    private const TOUCH = 'UPDATE run_state SET version = '.self::VERSION.", settled_until = '".RunState::UNKNOWN."' WHERE ";

    public function __construct(private Connection $connection, private EntityManagerInterface $entities)
    {
    }

    /**
     * Evidence on a unit: its runs of which something is kept that asked for anything as late as that. Of the others nothing is kept
     * that could be stale, and what is being worked out of them sees that the unit has changed.
     *
     * @param \DateTimeImmutable|null $since null: all its runs
     */
    public function unit(string $instrument, ?\DateTimeImmutable $since): void
    {
        $this->evidence($instrument, $since === null ? '' : Moments::text($since));
        $this->shifts();
    }

    /** What a whole record brings; the shifts of what it touches are looked for once. */
    public function record(Brought $brought): void
    {
        foreach ($brought->units as [$unit, $since]) {
            $this->evidence($unit, Moments::text($since));
            $this->logsTelling($unit);
        }
        $this->states('run_id IN (%s)', $brought->runs);
        $this->states('medium IN (%s)', $brought->media);
        $this->states(self::reportedBy('IN (%s)'), $brought->reports);
        foreach ($brought->names as $name) {
            $this->naming($name);
        }
        $this->shared();
        $this->shifts();
        if ($brought->blanksOf !== null) {
            $this->campaign($brought->blanksOf);
        }
    }

    /**
     * Runs that are new, or of which something was learned: their shifts are not what they were.
     *
     * @param list<string> $ids
     */
    public function runs(array $ids): void
    {
        $this->states('run_id IN (%s)', $ids);
        $this->shifts();
    }

    /** Evidence on a reference: the runs of every unit that leaned on it, from the first time on. */
    public function reference(string $reference): void
    {
        $leaning = 'SELECT l.instrument_id FROM check_leaning l WHERE l.reference_id = ?';
        $first = 'SELECT MIN(l.checked_at) FROM check_leaning l WHERE l.reference_id = ? AND l.instrument_id = ';
        $this->touch(
            "instrument_id IN ($leaning) AND settled_until >= ({$first}run_state.instrument_id)",
            [$reference, $reference],
        );
        $this->shifts();
        $this->evidenceOn($leaning, [$reference], "({$first}check_mark.instrument_id)", $reference);
    }

    /**
     * Media of which something else is known now: their samples.
     *
     * @param list<string> $media
     */
    public function media(array $media): void
    {
        $this->states('medium IN (%s)', $media);
        $this->shifts();
    }

    /** Word of a laboratory: the samples that it is on, and all samples of the campaigns whose blanks it is on. */
    public function report(string $report): void
    {
        $this->touch(self::reportedBy('= ?'), [$report, $report]);
        $this->shifts();
    }

    /** A log came or went: whose it is may be asked of every run that has it. */
    public function log(string $sha256): void
    {
        $this->touch('run_id IN (SELECT run_id FROM log_file WHERE sha256 = ?)', [$sha256]);
        $this->shifts();
    }

    /** A log came to a unit: where nobody stated its serial number, the files of its runs tell it to each other. */
    public function logsOf(string $instrument): void
    {
        $this->logsTelling($instrument);
        $this->shifts();
    }

    /** A unit of that name was registered: logs that name it may be its own, and no other's. */
    public function logsNaming(string $name): void
    {
        $this->naming($name);
        $this->shifts();
    }

    /** What all runs of a campaign are held against. */
    public function campaign(string $campaign): void
    {
        $this->entities->flush();
        $this->connection->executeStatement('UPDATE campaign SET version = '.self::VERSION.' WHERE id = ?', [$campaign]);
        $touched = $this->entities->find(Campaign::class, $campaign);
        if ($touched !== null) {
            $this->entities->refresh($touched);
        }
    }

    /** What any run may look up. */
    public function libraries(): void
    {
        $this->connection->executeStatement('UPDATE campaign SET version = '.self::VERSION);
    }

    private function evidence(string $instrument, string $since): void
    {
        $this->touch("instrument_id = ? AND settled_until >= ? AND settled_until <> '".RunState::UNKNOWN."'", [$instrument, $since]);
        $this->evidenceOn('?', [$instrument], '?', $since);
    }

    private function logsTelling(string $instrument): void
    {
        $this->touch(
            'instrument_id = ? AND EXISTS (SELECT 1 FROM instrument i WHERE i.id = ? AND COALESCE('.KitFolding::SERIAL.", '') = '')"
                .' AND EXISTS (SELECT 1 FROM log_file l WHERE l.run_id = run_state.run_id)',
            [$instrument, $instrument],
        );
    }

    private function naming(string $name): void
    {
        $this->touch(
            'run_id IN (SELECT run_id FROM log_file'
                ." WHERE REPLACE(LOWER(head), LOWER(?), '') <> LOWER(head) OR REPLACE(LOWER(name), LOWER(?), '') <> LOWER(name))",
            [$name, $name],
        );
    }

    /** Logs that stand under several runs: whose they are may have become a question. */
    private function shared(): void
    {
        $this->touch(
            'run_id IN (SELECT run_id FROM log_file WHERE sha256 IN (SELECT sha256 FROM log_file GROUP BY sha256 HAVING COUNT(*) > 1))',
            [],
        );
    }

    /** @param string $which which reports, such as "= ?"; it stands twice */
    private static function reportedBy(string $which): string
    {
        $media = "SELECT w.medium FROM laboratory_row w WHERE w.report_id $which";

        $blanks = "SELECT b.campaign_id FROM blank b WHERE b.medium IN ($media)";

        return "medium IN ($media) OR (medium IS NOT NULL AND campaign_id IN ($blanks))";
    }

    /**
     * @param string       $which  a condition on states of runs, with places for a list of values
     * @param list<string> $values however many
     */
    private function states(string $which, array $values): void
    {
        foreach (array_chunk($values, 500) as $some) {
            $marks = implode(', ', array_fill(0, \count($some), '?'));
            $this->touch(
                str_replace('%s', $marks, $which),
                array_merge(...array_fill(0, substr_count($which, '%s'), $some)),
            );
        }
    }

    /**
     * @param string       $which  a condition on states of runs
     * @param list<string> $values
     */
    private function touch(string $which, array $values): void
    {
        $this->entities->flush();
        $this->connection->executeStatement(self::TOUCH.$which, $values);
    }

    /** The runs of the shifts that those touched are part of: of the same person, some days around. */
    private function shifts(): void
    {
        $this->connection->executeStatement(
            self::TOUCH.'version <> '.self::VERSION.' AND run_id IN (SELECT r.run_id FROM run_state t'
                .' JOIN run_state r ON r.shift_key = t.shift_key AND r.started_at >= '.$this->day('t.started_at', -RunState::SHIFT)
                .' AND r.started_at < '.$this->day('t.started_at', RunState::SHIFT + 1)
                .' WHERE t.version = '.self::VERSION." AND t.shift_key <> '')",
        );
    }

    /** The beginning of the day so many days after that of a moment, both kept as texts. */
    private function day(string $moment, int $days): string
    {
        return $this->connection->getDatabasePlatform() instanceof SQLitePlatform
            ? \sprintf("date(%s, '%+d days')", $moment, $days)
            : \sprintf("to_char(CAST(%s AS timestamp) + INTERVAL '%d days', 'YYYY-MM-DD')", $moment, $days);
    }

    /**
     * @param string       $units  a list of units, or a query of them
     * @param list<string> $values of it
     * @param string       $since  since when their marks hold no more: a moment, or a query of it
     * @param string       $value  of it
     */
    private function evidenceOn(string $units, array $values, string $since, string $value): void
    {
        $this->connection->executeStatement(
            'INSERT INTO instrument_state (instrument_id, version) SELECT i.id, '.self::VERSION." FROM instrument i WHERE i.id IN ($units)"
                .' ON CONFLICT (instrument_id) DO UPDATE SET version = excluded.version',
            $values,
        );
        $this->connection->executeStatement(
            "DELETE FROM check_mark WHERE instrument_id IN ($units) AND marked_at >= $since",
            [...$values, $value],
        );
    }
}
