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

    /**
     * What the runs were assessed to be, by their start.
     *
     * @return \Generator<int, Worked>
     *
     * @throws Problem as lines() does
     */
    public function assessments(LedgerChoice $choice): \Generator
    {
        foreach ($this->parts($choice, false) as $part) {
            foreach ($part as [, $worked]) {
                yield $worked;
            }
        }
    }

    /**
     * @return \Generator<int, array<string, string>> by column
     *
     * @throws Problem where the runs are too many, or cannot all be worked out just now: half of them is no table
     */
    public function lines(LedgerChoice $choice): \Generator
    {
        foreach ($this->parts($choice, true) as $part) {
            foreach ($this->of($part) as $line) {
                yield $line;
            }
        }
        foreach ($choice->isOfAll() ? $this->withdrawals->of($choice->sought->campaign) : [] as $run) {
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

    /**
     * Runs that are no practice, by their start, some at a time, each with what was worked out of it.
     *
     * @param bool $compared whether decisions are held against what the runs say now
     *
     * @return \Generator<int, list<array{LedgerRow, Worked}>>
     */
    private function parts(LedgerChoice $choice, bool $compared): \Generator
    {
        for ($offset = 0, $total = 1; $offset < $total; $offset += self::AT_ONCE) {
            $page = $this->page($choice, $offset, $compared);
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
            $rows = array_values(array_filter($page->rows, static fn (array $row): bool => !$row['practice']));
            $kept = $this->workings->ofCampaigns(array_column($rows, 'run'));
            // What changed since the page was read is worked out again.
            yield array_map(fn (array $row): array => [
                $row,
                $kept['='.$row['run']] ?? $this->workings->worked($row['run'], $this->campaigns->policyOf($row['run'])),
            ], $rows);
        }
    }

    /** Where a verdict is wanted, what waits is worked out some at a time: as long as it gets fewer it is asked again. */
    private function page(LedgerChoice $choice, int $offset, bool $compared): LedgerPage
    {
        $page = $this->ledger->page($choice, self::AT_ONCE, $offset, $compared);
        for ($waited = \PHP_INT_MAX; $page->waiting > 0 && $page->waiting < $waited;) {
            $waited = $page->waiting;
            $page = $this->ledger->page($choice, self::AT_ONCE, $offset, $compared);
        }

        return $page;
    }

    /**
     * @param list<array{LedgerRow, Worked}> $part
     *
     * @return \Generator<int, array<string, string>>
     */
    private function of(array $part): \Generator
    {
        $rows = array_column($part, 0);
        $units = [];
        foreach ($this->logbook->instrumentRecords(array_column($rows, 'instrument')) as $unit) {
            $units['='.Cells::text($unit, 'id')] = $unit;
        }
        $checks = array_merge(...array_map(static fn (Worked $one): array => $one->checks(), array_column($part, 1)));
        $leaning = $this->leaning(array_values(array_unique($checks)), $units);
        $campaigns = $this->campaigns->ofRuns(array_column($rows, 'run'));
        foreach ($part as [$row, $worked]) {
            $alike = self::alike($row, $units['='.$row['instrument']] ?? [], $campaigns['='.$row['run']] ?? '', $worked);
            foreach (ResultTable::lines($worked->body(), $alike, self::decided($row), $leaning) as $line) {
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
