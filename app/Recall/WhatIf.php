<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

use Footnote\App\Errands\Hands;
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
 * What a recall would change, before anybody makes it: every check, run, result and issued report that leaned on what is recalled, each
 * with both values. Laid down as lines: the first says what all of them come to, each other one is a run. Nothing is written in the
 * logbook.
 *
 * @phpstan-import-type ToldRun from LeaningRuns
 */
final readonly class WhatIf
{
    /** Runs that are judged at once, and after how many what was read for them is let go: few enough to hold in memory. */
    private const AT_ONCE = 25;
    private const HELD = 500;
    /** Fewer are done before others have begun. */
    private const SHARED = 200;
    private const ANSWERS = ['value', 'indicated', 'pre', 'post', 'between', 'lowest', 'highest'];

    public function __construct(
        private LeaningRuns $leaning,
        private Workings $workings,
        private Judging $judging,
        private Decisions $decisions,
        private Campaigns $campaigns,
        private ClientReports $reports,
        private Editions $editions,
        private Hands $hands,
    ) {
    }

    /**
     * @param list<string>                     $command  of the console, which does a part of it: which one, of how many, is added
     * @param \Closure(string, int, int): void $progress told while it goes on: what is done, how many, of how many
     */
    public function lay(SupposedRecall $recall, array $command, \SplFileObject $file, \Closure $progress): void
    {
        $checks = $this->leaning->checks($recall);
        $runs = $this->runs($recall, $checks);
        $lines = new SortedLines();
        $counts = [Compared::SAME => 0, Compared::NUMBER => 0, Compared::VERDICT => 0];
        $results = $counts;
        $changed = [];
        $hands = \count($runs) < self::SHARED ? 1 : $this->hands->count();
        $done = 0;
        foreach ($hands === 1 ? $this->part($recall, 0, 1) : $this->shared($command, $hands) as $found) {
            if (\is_int($found)) {
                $progress('judged', $done += $found, \count($runs));
                continue;
            }
            ++$counts[$found->state];
            foreach ($found->results as $state => $many) {
                $results[$state] += $many;
            }
            if ($found->state !== Compared::SAME) {
                $changed['='.$found->run()] = $found->state;
            }
            // By campaign and person, as it is told to people; judged it was unit by unit.
            $lines->add($found->order, $found->line);
        }
        $file->fwrite(JsonLines::line([
            'owner' => $recall->owner(),
            'recalled' => $recall->recalled,
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
     * What would change of the runs of some units: of those that fall to one of several who share the work.
     *
     * @return \Generator<int, FoundRun|int> runs that rest on such a check; and how many runs were done since the last such number
     */
    public function part(SupposedRecall $recall, int $which, int $of): \Generator
    {
        $checks = $this->leaning->checks($recall);
        $known = array_fill_keys(array_map(static fn (array $check): string => '='.$check['check'], $checks), true);
        $runs = array_values(array_filter(
            $this->runs($recall, $checks),
            static fn (array $run): bool => crc32($run['instrument']) % $of === $which,
        ));
        $judging = $this->judging->supposing($recall);
        $judged = 0;
        foreach (array_chunk($runs, self::AT_ONCE) as $some) {
            foreach ($this->compared($some, $judging, $recall, $known) as [$run, $ends, $compared]) {
                ++$judged;
                // By what it was put together with, a run is named only where it would say something else.
                if ($compared['state'] !== Compared::SAME || self::isBracketed($ends, $known)) {
                    yield FoundRun::of($run, $compared, $this->line($run, $compared));
                }
            }
            if ($judged >= self::HELD) {
                $judging = $this->judging->supposing($recall);
                $judged = 0;
            }
            yield \count($some);
        }
    }

    /**
     * @param list<array{check: string, instrument: string, at: string}> $checks that it covers
     *
     * @return list<ToldRun> that may rest on it
     */
    private function runs(SupposedRecall $recall, array $checks): array
    {
        return $recall->kind === SupposedRecall::REFERENCE && $checks === [] ? [] : $this->leaning->runs($recall);
    }

    /**
     * @param list<string> $command
     *
     * @return \Generator<int, FoundRun|int> as part()
     */
    private function shared(array $command, int $hands): \Generator
    {
        $commands = array_map(static fn (int $which): array => [...$command, (string) $which, (string) $hands], range(0, $hands - 1));
        foreach ($this->hands->lines($commands) as $line) {
            yield ctype_digit($line) ? (int) $line : FoundRun::told($line);
        }
    }

    /**
     * @param list<ToldRun>       $runs
     * @param array<string, true> $known checks that the recall covers, by = and their names
     *
     * @return \Generator<int, array{ToldRun, list<string>, array{state: string, results: list<array<string, mixed>>}}> those that rest on
     *                                             such a check, each with the ends of its brackets and as it stands against as it would be
     */
    private function compared(array $runs, Judging $judging, SupposedRecall $recall, array $known): \Generator
    {
        $was = [];
        foreach ($this->standing($runs) as $name => $worked) {
            $body = $worked->body();
            // What a unit showed itself is touched without any check of it.
            if ($recall->kind === SupposedRecall::UNIT || self::restsOn($body, $known)) {
                $was[$name] = [$worked->checks(), $body];
            }
        }
        $leaning = array_values(array_filter($runs, static fn (array $run): bool => isset($was['='.$run['run']])));
        $is = [];
        foreach (self::byPolicy($leaning) as $policy => $of) {
            foreach ($judging->judge($of, substr($policy, 1))[0] as $one) {
                $is['='.$one->run] = $one->worked->body();
            }
        }
        foreach ($leaning as $run) {
            $name = '='.$run['run'];
            if (isset($is[$name], $was[$name])) {
                yield [$run, $was[$name][0], Compared::of($was[$name][1], $is[$name])];
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
            $edition = $this->editions->file($report['id'], $this->reports->edition($report['id'], $report['editions']));
            $runs = array_values(array_filter($edition->runs(), static fn (string $run): bool => isset($changed['='.$run])));
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
