<?php

declare(strict_types=1);

namespace Footnote\App\Http\Day;

use Footnote\App\Http\Bench\FitnessPresenter;
use Footnote\App\Http\Bench\UnitLinePresenter;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Days;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\KeptPlans;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\Period;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\UnitLines;
use Footnote\App\Logbook\Workings;
use Footnote\App\Planning\PlannedUnits;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\FitState;
use Footnote\Core\Quantity\Span;

/**
 * One day: every unit with its checks and runs along the hours, what is open, and what comes next.
 *
 * @phpstan-import-type Line from UnitLinePresenter
 * @phpstan-import-type Fit from FitnessPresenter
 *
 * @phpstan-type DayRun array{id: string, start: string, stop: string|null, person: string, task: string, place: string}
 * @phpstan-type DayCheck array{id: string, at: string, adjusted: bool, usable: bool}
 * @phpstan-type Hours array{runs: list<DayRun>, checks: list<DayCheck>, last: string|null}
 */
final readonly class DayPresenter
{
    /** So long a day is worked out before it is shown with what there is of it. */
    private const SECONDS = 1.0;

    public function __construct(
        private Logbook $logbook,
        private UnitLinePresenter $lines,
        private FitnessPresenter $fitness,
        private UnitLines $unitLines,
        private Campaigns $campaigns,
        private Days $days,
        private Drafts $drafts,
        private Workings $workings,
        private Assessor $assessor,
        private KeptPlans $plans,
        private PlannedUnits $planned,
        private SiteClock $site,
    ) {
    }

    /**
     * @param string $wanted a day, or nothing: today
     *
     * @return array<string, mixed>
     */
    public function of(string $wanted): array
    {
        $zone = $this->site->zone();
        $today = $this->site->now()->format('Y-m-d');
        $from = Period::day('date', $wanted === '' ? $today : $wanted, $zone);
        $date = $from->format('Y-m-d');
        $to = $from->modify('+1 day');
        $drafts = $this->drafts->heads();
        /** @var array<string, Hours> $hours what was kept has the shape of what is worked out */
        $hours = $this->unitLines->of(
            \sprintf('day %s %s', $date, $zone->getName()),
            fn (string $id): array => $this->hours($id, $from, $to, $zone),
            $this->days->unitsBetween($from, $to),
        );
        $runs = array_merge(...array_map(static fn (array $own): array => array_column($own['runs'], 'id'), array_values($hours)));
        $worked = $this->worked($runs);
        // Whether a unit may go out is asked of today: what was of another day shows in the runs of that day.
        $fit = $today === $date ? $this->fitness->all() : [];
        $plans = $this->plans->ofDay($date);
        $planned = $this->planned->of($plans);
        $units = [];
        foreach ($this->lines->all() as $key => $line) {
            $own = $hours[$key] ?? ['runs' => [], 'checks' => [], 'last' => $this->lastCheck($line, $to)];
            $unit = $this->unit($line, $own, $drafts[$key]['id'] ?? null, $fit[$key] ?? null, [$from, $to]);
            foreach ($unit['runs'] as $at => $run) {
                $unit['runs'][$at]['worked'] = $worked['='.$run['id']] ?? null;
            }
            $units[] = [...$unit, 'planned' => $planned[$key] ?? []];
        }

        return [
            'date' => $date,
            'today' => $today,
            'zone' => $zone->getName(),
            'campaign' => $this->campaign($from, $to),
            'before' => max($this->days->before($from, $zone), $this->plans->dayBefore($date)),
            'after' => self::sooner($this->days->from($to, $zone), $this->plans->dayAfter($date)),
            'units' => $units,
            'plans' => $plans,
            'waiting' => \count($runs) - \count($worked),
        ];
    }

    private static function sooner(?string $one, ?string $other): ?string
    {
        return $one === null || $other === null ? $one ?? $other : min($one, $other);
    }

    /** @return array{id: string, title: string, site: string}|null the campaigns measured on it; on a quiet day the newest */
    private function campaign(\DateTimeImmutable $from, \DateTimeImmutable $to): ?array
    {
        $measured = $this->campaigns->measuredBetween($from, $to);
        $first = $measured[0] ?? $this->campaigns->newest();

        return $first === null ? null : [
            'id' => $first['id'],
            'title' => $measured === [] ? $first['title'] : implode('; ', array_column($measured, 'title')),
            'site' => $first['site'],
        ];
    }

    /**
     * Each run is judged by the policy of its own campaign.
     *
     * @param list<string> $runs
     *
     * @return array<string, array{verdict: string, bracket: mixed, standing: mixed}> by = and the run
     */
    private function worked(array $runs): array
    {
        $began = hrtime(true);
        $worked = $this->workings->verdicts($runs);
        $missing = array_values(array_filter($runs, static fn (string $run): bool => !isset($worked['='.$run])));
        foreach ($this->campaigns->policies($missing) as $key => $some) {
            $this->workings->workOutSome($some, (string) $key, max(0.0, self::SECONDS - (hrtime(true) - $began) / 1e9));
        }

        return $missing === [] ? $worked : $this->workings->verdicts($runs);
    }

    /**
     * @param Line $line
     *
     * @return string|null when a unit was last checked by the end of a day on which nothing happened to it
     */
    private function lastCheck(array $line, \DateTimeImmutable $to): ?string
    {
        $last = $line['lastCheck']['at'] ?? null;
        if ($last === null || new \DateTimeImmutable($last) < $to) {
            return $last;
        }

        return $this->days->lastCheckBefore(Cells::text($line['unit'], 'id'), $to)?->setTimezone($to->getTimezone())->format(\DATE_ATOM);
    }

    /**
     * @param Line                                          $line
     * @param Hours                                         $hours
     * @param string|null                                   $draft what is half done of it
     * @param Fit|null                                      $fit   whether it may go out; null of another day than today
     * @param array{\DateTimeImmutable, \DateTimeImmutable} $day   from and to
     *
     * @return array{runs: list<DayRun>, ...}
     */
    private function unit(array $line, array $hours, ?string $draft, ?array $fit, array $day): array
    {
        [$from, $to] = $day;
        $running = self::begun($line['running'], $to);
        $open = self::begun($line['hold'], $to);

        return [
            'id' => Cells::text($line['unit'], 'id'),
            'model' => Cells::text($line['unit'], 'model'),
            'practice' => ($line['unit']['practice'] ?? false) === true,
            'runs' => $hours['runs'],
            'checks' => $hours['checks'],
            'hold' => $open,
            'running' => $running[0] ?? null,
            'draft' => $draft,
            'lastCheck' => $hours['last'],
            'fit' => $fit,
            'next' => match (true) {
                $draft !== null => 'finish the check',
                $running !== [] => 'stop the run',
                $open !== [] => 'check as found',
                $fit !== null && $fit['state'] === FitState::Held->value => 'held',
                $fit !== null && $fit['state'] === FitState::CheckFirst->value && $hours['runs'] === [] => 'check before use',
                $fit === null && ($hours['last'] === null || new \DateTimeImmutable($hours['last']) < $from) => 'check before use',
                $hours['runs'] === [] => 'start a run',
                default => 'done for the day',
            },
        ];
    }

    /**
     * @param list<array{id: string, start: string}> $runs
     *
     * @return list<string> those that had begun by then
     */
    private static function begun(array $runs, \DateTimeImmutable $by): array
    {
        return array_column(
            array_filter($runs, static fn (array $run): bool => new \DateTimeImmutable($run['start']) < $by),
            'id',
        );
    }

    /** @return Hours what went on in a unit's day, and its last check by the end of it */
    private function hours(string $id, \DateTimeImmutable $from, \DateTimeImmutable $to, \DateTimeZone $zone): array
    {
        $timeline = $this->logbook->timeline($id);
        $family = $this->assessor->family($timeline->instrument->family);
        $runs = array_values(
            array_filter(
                $timeline->runsAround(Span::shift($from, -1.0), $to),
                static fn (Run $run): bool => ($run->timing->stop ?? $run->timing->start) >= $from,
            ),
        );
        $checks = array_filter([...$timeline->checksFrom($from, $to)], static fn (Check $check): bool => $check->at < $to);

        return [
            'runs' => array_map(
                static fn (Run $run): array => [
                    'id' => $run->id,
                    'start' => $run->timing->start->setTimezone($zone)->format(\DATE_ATOM),
                    'stop' => $run->timing->stop?->setTimezone($zone)->format(\DATE_ATOM),
                    'person' => $run->deployment->person,
                    'task' => $run->deployment->task,
                    'place' => $run->deployment->place,
                ],
                $runs,
            ),
            'checks' => array_map(
                static fn (Check $check): array => [
                    'id' => $check->id,
                    'at' => $check->at->setTimezone($zone)->format(\DATE_ATOM),
                    'adjusted' => $check->content->wasAdjusted(),
                    'usable' => array_diff(
                        $family->usability()->whyUnusable($check, $timeline),
                        [UnusableBecause::AS_FOUND_MISSING],
                    ) === [],
                ],
                array_values($checks),
            ),
            'last' => $this->days->lastCheckBefore($id, $to)?->setTimezone($zone)->format(\DATE_ATOM),
        ];
    }
}
