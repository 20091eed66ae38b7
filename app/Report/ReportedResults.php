<?php

declare(strict_types=1);

namespace Footnote\App\Report;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Ledger;
use Footnote\App\Logbook\LedgerChoice;
use Footnote\App\Logbook\LedgerPage;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Withdrawals;
use Footnote\App\Logbook\Worked;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\EvidenceReader;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;

/**
 * The results of a choice of runs as lines of a table, all of them and nothing but what is no practice.
 *
 * @phpstan-import-type LedgerRow from Ledger
 */
final readonly class ReportedResults
{
    /** Runs that are read at once: few enough to hold in memory. */
    private const AT_ONCE = 200;
    /** More runs are no sheet that anybody reads; a campaign or a unit is chosen. */
    private const MOST = 10000;

    public function __construct(
        private Ledger $ledger,
        private Workings $workings,
        private Campaigns $campaigns,
        private Logbook $logbook,
        private Withdrawals $withdrawals,
        private Formats $families,
        private EvidenceReader $reader,
    ) {
    }

    /** @return list<string> the runs of a choice that are no practice, by their start */
    public function runs(LedgerChoice $choice): array
    {
        $runs = [];
        for ($offset = 0, $total = 1; $offset < $total; $offset += self::AT_ONCE) {
            $page = $this->ledger->page($choice, self::AT_ONCE, $offset, false);
            $total = $page->total;
            $real = array_filter($page->rows, static fn (array $row): bool => !$row['practice']);
            array_push($runs, ...array_column($real, 'run'));
        }

        return $runs;
    }

    /**
     * @return \Generator<int, array<string, string>> by column
     *
     * @throws Problem where the runs are too many, or cannot all be worked out just now: half of them is no table
     */
    public function lines(LedgerChoice $choice): \Generator
    {
        for ($offset = 0, $total = 1; $offset < $total; $offset += self::AT_ONCE) {
            $page = $this->page($choice, $offset);
            $total = $page->total;
            if ($total > self::MOST) {
                throw new Problem(413, \sprintf(
                    'These are %d runs, and a sheet holds at most %d. Choose a campaign or an instrument; nothing was left out.',
                    $total,
                    self::MOST,
                ));
            }
            if ($page->waiting > 0) {
                throw new Problem(503, \sprintf(
                    '%d of these runs could not be worked out just now, and a sheet without them would say less than it seems. Ask again.',
                    $page->waiting,
                ));
            }
            foreach ($this->of(array_values(array_filter($page->rows, static fn (array $row): bool => !$row['practice']))) as $line) {
                yield $line;
            }
        }
        foreach ($choice->isOfAll() ? $this->withdrawals->of($choice->campaign) : [] as $run) {
            yield [
                'run' => $run['run'],
                'unit' => $run['instrument'],
                'person' => $run['person'],
                'task' => $run['task'],
                'started' => $run['start'],
                'decided' => 'withdrawn',
                'decided_by' => $run['by'],
                'decided_at' => $run['at'],
                'decided_reason' => $run['reason'],
            ];
        }
    }

    /** Where a verdict is wanted, what waits is worked out some at a time: as long as it gets fewer it is asked again. */
    private function page(LedgerChoice $choice, int $offset): LedgerPage
    {
        $page = $this->ledger->page($choice, self::AT_ONCE, $offset);
        do {
            $waited = $page->waiting;
            $page = $waited === 0 ? $page : $this->ledger->page($choice, self::AT_ONCE, $offset);
        } while ($page->waiting > 0 && $page->waiting < $waited);

        return $page;
    }

    /**
     * @param list<LedgerRow> $rows
     *
     * @return \Generator<int, array<string, string>>
     */
    private function of(array $rows): \Generator
    {
        $runs = array_map(static fn (array $row): string => $row['run'], $rows);
        $kept = $this->workings->ofCampaigns($runs);
        $units = [];
        foreach ($this->logbook->instrumentRecords(array_map(static fn (array $row): string => $row['instrument'], $rows)) as $unit) {
            $units['='.Cells::text($unit, 'id')] = $unit;
        }
        $worked = [];
        $checks = [];
        foreach ($runs as $run) {
            // What changed since the page was read is worked out again.
            $worked[] = $one = $kept['='.$run] ?? $this->workings->worked($run, $this->campaigns->policyOf($run));
            array_push($checks, ...$one->checks());
        }
        $leaning = $this->leaning(array_values(array_unique($checks)), $units);
        $campaigns = $this->campaigns->ofRuns($runs);
        foreach ($rows as $place => $row) {
            $alike = self::alike($row, $units['='.$row['instrument']] ?? [], $campaigns['='.$row['run']] ?? '', $worked[$place]);
            foreach (ResultTable::lines($worked[$place]->body(), $alike, self::decided($row), $leaning) as $line) {
                yield $line;
            }
        }
    }

    /**
     * @param LedgerRow            $row
     * @param array<string, mixed> $unit as it stands in the record
     *
     * @return array<string, string> what stands in each line of a run
     */
    private static function alike(array $row, array $unit, string $campaign, Worked $worked): array
    {
        return [
            'run' => $row['run'],
            'campaign' => $campaign,
            'unit' => $row['instrument'],
            'model' => Cells::text($unit, 'model'),
            'serial' => Cells::text($unit, 'serial'),
            'person' => $row['person'],
            'task' => $row['task'],
            'place' => $row['place'],
            'started' => $row['start'],
            'stopped' => $row['stop'] ?? '',
            'digest' => $worked->said,
        ];
    }

    /** @param LedgerRow $row */
    private static function decided(array $row): ?Decided
    {
        $decision = $row['decision'];

        return $decision === null ? null : new Decided(
            $decision['verdict'],
            $decision['by'],
            $decision['at'],
            $decision['reason'],
            $decision['covers'],
            !$decision['stale'],
        );
    }

    /**
     * @param list<string>                        $checks
     * @param array<string, array<string, mixed>> $units  by = and the unit
     */
    private function leaning(array $checks, array $units): Leaning
    {
        $references = [];
        foreach (array_chunk($checks, 500) as $some) {
            foreach ($this->logbook->checkRecords($some) as $record) {
                $family = Cells::text($units['='.Cells::text($record, 'instrument')] ?? [], 'family');
                $check = $this->reader->check(Fields::of($record), $this->families->of($family));
                $references['='.$check->id] = $check->leansOn();
            }
        }

        return new Leaning($references);
    }
}
