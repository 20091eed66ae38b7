<?php

declare(strict_types=1);

namespace Footnote\App\Http\Day;

use Footnote\App\Http\Bench\UnitLinePresenter;
use Footnote\App\Logbook\Campaigns;
use Footnote\App\Logbook\Days;
use Footnote\App\Logbook\Drafts;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Quantity\Span;

/**
 * One day: every unit with its checks and runs along the hours, what is open, and what comes next.
 *
 * @phpstan-import-type Line from UnitLinePresenter
 *
 * @phpstan-type DayRun array{id: string, start: string, stop: string|null, person: string, task: string, place: string}
 * @phpstan-type DayCheck array{id: string, at: string, adjusted: bool, usable: bool}
 */
final readonly class DayPresenter
{
    public function __construct(
        private Logbook $logbook,
        private UnitLinePresenter $lines,
        private Campaigns $campaigns,
        private Days $days,
        private Drafts $drafts,
        private Workings $workings,
        private Assessor $assessor,
        private SiteClock $site,
    ) {
    }

    /**
     * @param string $wanted a day, or nothing: today, or where nothing happened today, the last day with a run
     *
     * @return array<string, mixed>
     */
    public function of(string $wanted): array
    {
        if ($wanted !== '' && preg_match('/^\d{4}-\d{2}-\d{2}$/D', $wanted) !== 1) {
            throw Problem::field('/date', 'must be a day such as 2026-03-02.');
        }
        $zone = $this->site->zone();
        $date = $wanted === '' ? $this->usual($zone) : $wanted;
        $from = new \DateTimeImmutable($date, $zone);
        $to = $from->modify('+1 day');
        $drafts = $this->drafts->heads();
        $active = $this->days->unitsBetween($from, $to);
        $lasts = $this->days->lastChecksBefore($to);
        $units = [];
        foreach ($this->lines->all() as $key => $line) {
            $id = substr($key, 1);
            $units[] = $this->unit(
                $line,
                isset($active[$key]) ? $this->hours($id, $from, $to, $zone) : ['runs' => [], 'checks' => []],
                $lasts[$key] ?? null,
                $drafts[$key]['id'] ?? null,
                [$from, $to],
            );
        }
        $worked = $this->worked(array_merge(...array_map(static fn (array $unit): array => array_column($unit['runs'], 'id'), $units)));
        foreach ($units as $place => $unit) {
            foreach ($unit['runs'] as $at => $run) {
                $units[$place]['runs'][$at]['worked'] = $worked[$run['id']] ?? null;
            }
        }

        return [
            'date' => $date,
            'zone' => $zone->getName(),
            'campaign' => $this->campaign($from, $to),
            'days' => $this->days->last($zone),
            'units' => $units,
        ];
    }

    private function usual(\DateTimeZone $zone): string
    {
        $today = $this->site->now()->format('Y-m-d');
        $from = new \DateTimeImmutable($today, $zone);

        return $this->days->hasEvidence($from, $from->modify('+1 day'))
            ? $today
            : ($this->days->lastRun()?->setTimezone($zone)->format('Y-m-d') ?? $today);
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
     * @return array<array-key, array<string, mixed>> what was worked out, by run
     */
    private function worked(array $runs): array
    {
        $worked = [];
        foreach ($this->campaigns->policies($runs) as $key => $some) {
            $this->workings->workOut($some, (string) $key);
            $worked += $this->workings->summaries($some, (string) $key);
        }

        return $worked;
    }

    /**
     * @param Line                                              $line
     * @param array{runs: list<DayRun>, checks: list<DayCheck>} $hours
     * @param \DateTimeImmutable|null                           $last  its last check before the end of the day
     * @param string|null                                       $draft what is half done of it
     * @param array{\DateTimeImmutable, \DateTimeImmutable}     $day   from and to
     *
     * @return array{runs: list<DayRun>, ...}
     */
    private function unit(array $line, array $hours, ?\DateTimeImmutable $last, ?string $draft, array $day): array
    {
        [$from, $to] = $day;
        $running = self::begun($line['running'], $to);
        $open = self::begun($line['hold'], $to);

        return [
            ...array_intersect_key($line['unit'], ['id' => 1, 'model' => 1]),
            ...$hours,
            'hold' => $open,
            'running' => $running[0] ?? null,
            'draft' => $draft,
            'lastCheck' => $last?->setTimezone($from->getTimezone())->format(\DATE_ATOM),
            'next' => match (true) {
                $draft !== null => 'finish the check',
                $running !== [] => 'stop the run',
                $open !== [] => 'check as found',
                $last === null || $last < $from => 'check before use',
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

    /** @return array{runs: list<DayRun>, checks: list<DayCheck>} what went on in a unit's day */
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
        ];
    }
}
