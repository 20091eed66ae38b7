<?php

declare(strict_types=1);

namespace Footnote\App\Http\Day;

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
use Footnote\Core\Judgement\Foresight;

/** One day: every unit with its checks and runs along the hours, what is open, and what comes next. */
final readonly class DayPresenter
{
    private Foresight $foresight;

    public function __construct(
        private Logbook $logbook,
        private Campaigns $campaigns,
        private Days $days,
        private Drafts $drafts,
        private Workings $workings,
        private Assessor $assessor,
        private SiteClock $site,
    ) {
        $this->foresight = new Foresight($assessor);
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
        $units = array_map(
            fn (string $id): array => $this->unit($id, $from, $to, $zone),
            $this->logbook->instruments(),
        );
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

    /** @return array{runs: list<array{id: string, start: string, stop: string|null, person: string, task: string, place: string}>, ...} */
    private function unit(string $id, \DateTimeImmutable $from, \DateTimeImmutable $to, \DateTimeZone $zone): array
    {
        $timeline = $this->logbook->timeline($id);
        $family = $this->assessor->family($timeline->instrument->family);
        $inDay = static fn (\DateTimeImmutable $at): bool => $from <= $at && $at < $to;
        $runs = array_values(
            array_filter(
                $timeline->runs(),
                static fn (Run $run): bool => $run->timing->start < $to
                    && ($run->timing->stop ?? $run->timing->start) >= $from
                    && ($run->timing->stop !== null || $run->timing->start < $to),
            ),
        );
        $checks = array_values(array_filter($timeline->checks(), static fn (Check $check): bool => $inDay($check->at)));
        $open = array_values(array_filter($this->foresight->openRuns($timeline), static fn (Run $run): bool => $run->timing->start < $to));
        $last = null;
        foreach ($timeline->checks() as $check) {
            $last = $check->at < $to ? $check : $last;
        }
        $running = array_values(
            array_filter($timeline->runs(), static fn (Run $run): bool => $run->timing->stop === null && $run->timing->start < $to),
        );
        $draft = $this->drafts->headOf($id)['id'] ?? null;

        return [
            'id' => $id,
            'model' => $timeline->instrument->model,
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
                $checks,
            ),
            'hold' => array_map(static fn (Run $run): string => $run->id, $open),
            'running' => $running === [] ? null : $running[0]->id,
            'draft' => $draft,
            'lastCheck' => $last?->at->setTimezone($zone)->format(\DATE_ATOM),
            'next' => match (true) {
                $draft !== null => 'finish the check',
                $running !== [] => 'stop the run',
                $open !== [] => 'check as found',
                $last === null || $last->at < $from => 'check before use',
                $runs === [] => 'start a run',
                default => 'done for the day',
            },
        ];
    }
}
