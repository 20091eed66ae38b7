<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Logbook\Ledger;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Logbook\Period;
use Footnote\App\Logbook\PracticeUnits;
use Footnote\App\Logbook\RunsSought;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\Unsettled;
use Footnote\Core\Judgement\Verdict;

/**
 * The runs of some days that could not be stood up for as they are, with why, and what would still lift it.
 *
 * @phpstan-import-type LedgerRow from Ledger
 * @phpstan-import-type Weighty from Ledger
 *
 * @phpstan-type UnsettledRun array{
 *     run: string, instrument: string, person: string, task: string, start: string, verdict: string, why: string, by: string|null,
 *     against: list<Weighty>,
 * }
 */
final readonly class UnsettledRuns
{
    /** So many runs of the days are looked at; where there are more, that is said. */
    private const MOST = 200;

    private const AT_ONCE = 50;

    public function __construct(private Ledger $ledger, private PracticeUnits $practice)
    {
    }

    /**
     * @param list<string> $held runs of any day that a check could still close, as long as nothing else happens to their units
     *
     * @return array{runs: list<UnsettledRun>, of: int, beyond: int} the most pressing first; how many runs the days have, and how many
     *                                                               of them were not looked at
     */
    public function of(Period $period, array $held): array
    {
        $practice = $this->practice->ids();
        $pressing = $this->ledger->page(new LedgerChoice(without: $practice, runs: $held), self::MOST, 0)->rows;
        $found = $this->unsettled($pressing);
        $choice = new LedgerChoice(new RunsSought(period: $period), without: $practice);
        $seen = 0;
        do {
            $page = $this->ledger->page($choice, self::AT_ONCE, $seen);
            $found = [...$found, ...$this->unsettled($page->rows)];
            $seen += \count($page->rows);
        } while ($page->rows !== [] && $seen < min($page->total, self::MOST));
        $order = array_flip(array_map(static fn (Unsettled $why): string => $why->value, Unsettled::cases()));
        $runs = array_values($found);
        // Within a kind the order of their days stays.
        usort($runs, static fn (array $one, array $other): int => $order[$one['why']] <=> $order[$other['why']]);

        return ['runs' => $runs, 'of' => $page->total, 'beyond' => max(0, $page->total - $seen)];
    }

    /**
     * @param list<LedgerRow> $rows
     *
     * @return array<string, UnsettledRun> by = and the run
     */
    private function unsettled(array $rows): array
    {
        $found = [];
        foreach ($rows as $row) {
            $why = self::why($row);
            if ($why !== null) {
                $found['='.$row['run']] = self::told($row, $why);
            }
        }

        return $found;
    }

    /** @param LedgerRow $row */
    private static function why(array $row): ?Unsettled
    {
        $cures = [];
        foreach ($row['weighty'] as $finding) {
            if ($finding['cure'] !== null) {
                $cures[] = new Cure($finding['cure']['evidence'], $finding['cure']['until'], CuredAt::from($finding['cure']['at']));
            }
        }

        return Unsettled::of(
            array_map(Verdict::from(...), $row['parts']),
            $row['decision'] === null ? null : !$row['decision']['stale'],
            $cures,
        );
    }

    /**
     * @param LedgerRow $row
     *
     * @return UnsettledRun
     */
    private static function told(array $row, Unsettled $why): array
    {
        return [
            'run' => $row['run'],
            'instrument' => $row['instrument'],
            'person' => $row['person'],
            'task' => $row['task'],
            'start' => $row['start'],
            'verdict' => $row['verdict'],
            'why' => $why->value,
            'by' => $row['decision']['by'] ?? null,
            'against' => $row['weighty'],
        ];
    }
}
