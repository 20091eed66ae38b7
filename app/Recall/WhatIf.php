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
use Footnote\App\Storage\JsonLines;

/**
 * What a recall would change, before anybody makes it: every check, run, result and issued report that leaned on the reference, each with
 * both values. Laid down as lines: the first says what all of them come to, each other one is a run. Nothing is written in the logbook.
 *
 * @phpstan-import-type ToldRun from LeaningRuns
 */
final readonly class WhatIf
{
    /** Runs that are judged at once, and after how many what was read for them is let go: few enough to hold in memory. */
    private const AT_ONCE = 50;
    private const HELD = 500;
    private const ANSWERS = ['value', 'indicated', 'pre', 'post', 'between', 'lowest', 'highest'];

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
        $lines = new SortedLines();
        $counts = [Compared::SAME => 0, Compared::NUMBER => 0, Compared::VERDICT => 0];
        $results = $counts;
        $changed = [];
        foreach ($this->each($runs, $recall, $known) as $done => [$run, $was, $is]) {
            $progress('judged', $done, \count($runs));
            $compared = Compared::of($was->body(), $is->body());
            // By what it was put together with, a run is named only where it would say something else.
            if ($compared['state'] === Compared::SAME && !self::isBracketed($was->checks(), $known)) {
                continue;
            }
            ++$counts[$compared['state']];
            foreach ($compared['results'] as $result) {
                ++$results[Cells::text($result, 'state')];
            }
            if ($compared['state'] !== Compared::SAME) {
                $changed['='.$run['run']] = $compared['state'];
            }
            // By campaign and person, as it is told to people; judged it was unit by unit.
            $lines->add([$run['campaign'], $run['person'], $run['start'], $run['run']], $this->line($run, $compared));
        }
        $file->fwrite(JsonLines::line([
            'reference' => $recall->reference,
            'errorUnit' => $recall->unit(),
            'recall' => $recall->record,
            'checks' => $checks,
            'runs' => $counts,
            'results' => $results,
            'reports' => $this->reports($changed),
        ]));
        foreach ($lines->sorted() as $line) {
            $file->fwrite($line);
        }
    }

    /**
     * @param list<ToldRun>       $runs
     * @param array<string, true> $checks that the recall covers, by = and their names
     *
     * @return \Generator<int, array{ToldRun, Worked, Worked}> those that rest on such a check, each as it stands and as it would be, by how
     *                                                         many are done
     */
    private function each(array $runs, SupposedRecall $recall, array $checks): \Generator
    {
        $done = 0;
        $judging = $this->judging->supposing($recall);
        foreach (array_chunk($runs, self::AT_ONCE) as $some) {
            $kept = array_filter($this->standing($some), static fn (Worked $one): bool => self::restsOn($one->body(), $checks));
            $leaning = array_values(array_filter($some, static fn (array $run): bool => isset($kept['='.$run['run']])));
            $would = [];
            foreach (self::byPolicy($leaning) as $policy => $of) {
                [$judged] = $judging->judge($of, substr($policy, 1));
                foreach ($judged as $one) {
                    $would['='.$one->run] = $one->worked;
                }
            }
            $done += \count($some) - \count($leaning);
            foreach ($leaning as $run) {
                ++$done;
                $is = $would['='.$run['run']] ?? null;
                if ($is !== null) {
                    yield $done => [$run, $kept['='.$run['run']], $is];
                }
            }
            if ($done % self::HELD === 0) {
                $judging = $this->judging->supposing($recall);
            }
        }
    }

    /**
     * What the runs come to as they stand; what is not kept of them is worked out first.
     *
     * @param list<ToldRun> $runs
     *
     * @return array<string, Worked> by = and the run
     */
    private function standing(array $runs): array
    {
        $kept = $this->workings->ofCampaigns(array_column($runs, 'run'));
        $missing = array_values(array_filter($runs, static fn (array $run): bool => !isset($kept['='.$run['run']])));
        if ($missing === []) {
            return $kept;
        }
        foreach (self::byPolicy($missing) as $policy => $of) {
            $this->workings->workOut($of, substr($policy, 1));
        }
        $kept = $this->workings->ofCampaigns(array_column($runs, 'run'));
        foreach ($missing as $run) {
            // Where nothing can be kept just now, it is worked out all the same.
            $kept['='.$run['run']] ??= $this->workings->worked($run['run'], $run['policy']);
        }

        return $kept;
    }

    /**
     * @param list<ToldRun> $runs
     *
     * @return array<string, non-empty-list<string>> runs by = and the policy
     */
    private static function byPolicy(array $runs): array
    {
        $policies = [];
        foreach ($runs as $run) {
            $policies['='.$run['policy']][] = $run['run'];
        }

        return $policies;
    }

    /**
     * @param list<string>        $ends   of its brackets
     * @param array<string, true> $checks by = and their names
     */
    private static function isBracketed(array $ends, array $checks): bool
    {
        return array_filter($ends, static fn (string $check): bool => isset($checks['='.$check])) !== [];
    }

    /**
     * Whether such a check is among what the results of a run were worked out of: at an end of a bracket, or under any of their answers,
     * also where it came to them from another run of the shift.
     *
     * @param array<string, mixed> $body
     * @param array<string, true>  $checks by = and their names
     */
    private static function restsOn(array $body, array $checks): bool
    {
        return self::isBracketed(Worked::evidence($body), $checks) || self::isUnder($body, $checks);
    }

    /**
     * @param array<string, mixed> $body
     * @param array<string, true>  $checks by = and their names
     */
    private static function isUnder(array $body, array $checks): bool
    {
        $figures = [];
        foreach (Cells::rows($body, 'figures') as $figure) {
            $figures['='.Cells::text($figure, 'id')] = $figure;
        }
        $wanted = [];
        foreach (Cells::rows($body, 'results') as $result) {
            foreach (self::ANSWERS as $answer) {
                $wanted['='.Cells::text(Cells::map($result, $answer), 'figure')] = true;
            }
        }
        // Grows while it is gone through: what goes into a figure is looked at after it.
        for ($i = 0, $names = array_keys($wanted); $i < \count($names); ++$i) {
            $figure = $figures[$names[$i]] ?? [];
            $origin = Cells::map($figure, 'origin');
            if (Cells::text($origin, 'kind') === 'check' && isset($checks['='.Cells::text($origin, 'id')])) {
                return true;
            }
            foreach (Cells::texts($figure, 'inputs') as $input) {
                if (!isset($wanted['='.$input])) {
                    $wanted['='.$input] = true;
                    $names[] = '='.$input;
                }
            }
        }

        return false;
    }

    /**
     * @param array<string, string>                                    $run
     * @param array{state: string, results: list<array<string, mixed>>} $compared
     */
    private function line(array $run, array $compared): string
    {
        $decision = $this->decisions->last($run['run']);

        return JsonLines::line([
            ...array_diff_key($run, ['policy' => 1]),
            'state' => $compared['state'],
            'decided' => $decision === null ? null : [
                'verdict' => Cells::text($decision, 'verdict'),
                'by' => Cells::text($decision, 'recorded_by'),
            ],
            'unchanged' => \count(array_filter($compared['results'], self::isSame(...))),
            'results' => array_values(array_filter($compared['results'], static fn (array $one): bool => !self::isSame($one))),
        ]);
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
            foreach (Cells::rows($this->head($report['id'], $report['editions']), 'parts') as $part) {
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

    /** @return array<string, mixed> how an edition begins */
    private function head(string $report, int $edition): array
    {
        return $this->editions->file($report, $this->reports->edition($report, $edition))->head();
    }
}
