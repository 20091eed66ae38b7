<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\ClientReports;
use Footnote\App\Logbook\Decisions;
use Footnote\App\Logbook\Judging;
use Footnote\App\Logbook\LeaningRuns;
use Footnote\App\Logbook\SupposedRecall;
use Footnote\App\Logbook\Worked;
use Footnote\App\Logbook\Workings;
use Footnote\App\Report\Editions;
use Footnote\App\Storage\Cells;

/**
 * What a recall would change, before anybody makes it: every check, run, result and issued report that leaned on the reference, each with
 * both values. Laid down as lines: the first says what all of them come to, each other one is a run. Nothing is written in the logbook.
 *
 * @phpstan-import-type ToldRun from LeaningRuns
 */
final readonly class WhatIf
{
    /** Runs that are judged at once: few enough to hold in memory. */
    private const AT_ONCE = 200;

    public function __construct(
        private LeaningRuns $leaning,
        private Workings $workings,
        private Judging $judging,
        private Decisions $decisions,
        private Campaigns $campaigns,
        private ClientReports $reports,
        private Editions $editions,
    ) {
    }

    /** @param \Closure(string, int, int): void $progress told while it goes on: what is done, how many, of how many */
    public function lay(SupposedRecall $recall, \SplFileObject $file, \Closure $progress): void
    {
        $checks = $this->leaning->checks($recall);
        $known = array_fill_keys(array_map(static fn (array $check): string => '='.$check['check'], $checks), true);
        $runs = $checks === [] ? [] : $this->leaning->runs($recall);
        $lines = new \SplTempFileObject(8_000_000);
        $counts = [Compared::SAME => 0, Compared::NUMBER => 0, Compared::VERDICT => 0];
        $results = $counts;
        $changed = [];
        $judging = $this->judging->supposing($recall);
        foreach ($this->some($runs, $judging) as $done => [$run, $was, $is]) {
            $progress('judged', $done, \count($runs));
            if (!self::leans($was, $is, $known)) {
                continue;
            }
            $compared = Compared::of($was->body(), $is->body());
            ++$counts[$compared['state']];
            foreach ($compared['results'] as $result) {
                ++$results[Cells::text($result, 'state')];
            }
            if ($compared['state'] !== Compared::SAME) {
                $changed['='.$run['run']] = $compared['state'];
            }
            $lines->fwrite($this->line($run, $compared));
        }
        $file->fwrite(json_encode([
            'reference' => $recall->reference,
            'errorUnit' => $recall->unit(),
            'recall' => $recall->record,
            'checks' => $checks,
            'runs' => $counts,
            'results' => $results,
            'reports' => $this->reports($changed),
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n");
        $lines->rewind();
        while (!$lines->eof()) {
            $file->fwrite((string) $lines->fread(1_000_000));
        }
    }

    /**
     * @param list<ToldRun> $runs
     *
     * @return \Generator<int, array{array<string, string>, Worked, Worked}> each as it stands and as it would be, by how many are done
     */
    private function some(array $runs, Judging $judging): \Generator
    {
        $done = 0;
        foreach (array_chunk($runs, self::AT_ONCE) as $some) {
            $kept = $this->workings->ofCampaigns(array_column($some, 'run'));
            $would = [];
            foreach (array_unique(array_column($some, 'policy')) as $policy) {
                $of = array_filter($some, static fn (array $run): bool => $run['policy'] === $policy);
                [$judged] = $judging->judge(array_column($of, 'run'), $policy);
                foreach ($judged as $one) {
                    $would['='.$one->run] = $one->worked;
                }
            }
            foreach ($some as $run) {
                ++$done;
                $is = $would['='.$run['run']] ?? null;
                if ($is !== null) {
                    yield $done => [$run, $kept['='.$run['run']] ?? $this->workings->worked($run['run'], $run['policy']), $is];
                }
            }
        }
    }

    /**
     * Whether a run rests on such a check, or would say something else because another of its shift does.
     *
     * @param array<string, true> $checks by = and their names
     */
    private static function leans(Worked $was, Worked $is, array $checks): bool
    {
        foreach ([...$was->checks(), ...$is->checks()] as $check) {
            if (isset($checks['='.$check])) {
                return true;
            }
        }

        return $was->said !== $is->said;
    }

    /**
     * @param array<string, string>                                    $run
     * @param array{state: string, results: list<array<string, mixed>>} $compared
     */
    private function line(array $run, array $compared): string
    {
        $decision = $this->decisions->last($run['run']);

        return json_encode([
            ...array_diff_key($run, ['policy' => 1]),
            'state' => $compared['state'],
            'decided' => $decision === null ? null : [
                'verdict' => Cells::text($decision, 'verdict'),
                'by' => Cells::text($decision, 'recorded_by'),
            ],
            'unchanged' => \count(array_filter($compared['results'], self::isSame(...))),
            'results' => array_values(array_filter($compared['results'], static fn (array $one): bool => !self::isSame($one))),
        ], \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n";
    }

    /** @param array<string, mixed> $result */
    private static function isSame(array $result): bool
    {
        return Cells::text($result, 'state') === Compared::SAME;
    }

    /**
     * The last edition of each issued report that tells of a run that would change.
     *
     * @param array<string, string> $changed states by = and the run
     *
     * @return list<array<string, mixed>>
     */
    private function reports(array $changed): array
    {
        $told = [];
        foreach ($this->reports->all() as $report) {
            if ($report['editions'] === 0) {
                continue;
            }
            $runs = [];
            foreach (Cells::rows($this->editions->file($report['id'], $report['editions'])->head(), 'parts') as $part) {
                $run = substr(Cells::text($part, 'part'), 4);
                if (str_starts_with(Cells::text($part, 'part'), 'run:') && isset($changed['='.$run])) {
                    $runs[] = $run;
                }
            }
            if ($runs !== []) {
                $told[] = [
                    'report' => $report['id'],
                    'edition' => $report['editions'],
                    'title' => Cells::text($report['asked'], 'title'),
                    'askedBy' => Cells::text($report['asked'], 'askedBy'),
                    'campaign' => $report['campaign'],
                    'site' => $this->campaigns->one($report['campaign'])['site'],
                    'runs' => $runs,
                ];
            }
        }

        return $told;
    }
}
