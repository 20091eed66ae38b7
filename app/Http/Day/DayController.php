<?php

declare(strict_types=1);

namespace Footnote\App\Http\Day;

use Doctrine\DBAL\Connection;
use Footnote\App\Logbook\Logbook;
use Footnote\App\Logbook\SiteClock;
use Footnote\App\Logbook\Workings;
use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Judgement\Assessor;
use Footnote\Core\Judgement\Foresight;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** One day: every unit with its checks and runs along the hours, what is open, and what comes next. */
final readonly class DayController
{
    public function __construct(
        private Connection $connection,
        private Logbook $logbook,
        private Workings $workings,
        private Assessor $assessor,
        private SiteClock $site,
    ) {
    }

    #[Route('/api/day', methods: ['GET'])]
    public function day(Request $request): JsonResponse
    {
        $campaign = $this->connection->fetchAssociative('SELECT id, title, site, zone, policy_key FROM campaign ORDER BY id DESC LIMIT 1');
        $zone = $this->site->zone();
        $latest = $this->connection->fetchOne('SELECT MAX(started_at) FROM run');
        $wanted = $request->query->getString('date');
        if ($wanted !== '' && preg_match('/^\d{4}-\d{2}-\d{2}$/D', $wanted) !== 1) {
            throw Problem::field('/date', 'must be a day such as 2026-03-02.');
        }
        $today = $this->site->now()->format('Y-m-d');
        // Without a wish: today, or where nothing happened today, the last day with a run.
        $date = $wanted !== ''
            ? $wanted
            : ($this->hasEvidence($today, $zone) || !\is_string($latest) ? $today : (new \DateTimeImmutable($latest, new \DateTimeZone('UTC')))->setTimezone($zone)->format('Y-m-d'));
        $from = new \DateTimeImmutable($date, $zone);
        $to = $from->modify('+1 day');
        // What the day belongs to: the campaigns measured on it; on a quiet day the newest.
        $measured = $this->connection->fetchAllAssociative(
            'SELECT DISTINCT c.id, c.title, c.site FROM campaign c JOIN run r ON r.campaign_id = c.id WHERE r.started_at >= ? AND r.started_at < ? ORDER BY c.id',
            array_map(
                static fn (\DateTimeImmutable $at): string => $at->setTimezone(new \DateTimeZone('UTC'))->format('Y-m-d H:i:s'),
                [$from, $to],
            ),
        );
        $campaign = match (\count($measured)) {
            0 => $campaign,
            1 => $measured[0],
            default => [
                'title' => implode('; ', array_map(static fn (array $one): string => Cells::text($one, 'title'), $measured)),
            ] + $measured[0],
        };
        $foresight = new Foresight($this->assessor);
        $verdicts = [];
        $units = [];
        foreach ($this->logbook->instruments() as $id) {
            $timeline = $this->logbook->timeline($id);
            $family = $this->assessor->family($timeline->instrument->family);
            $inDay = static fn (\DateTimeImmutable $at): bool => $from <= $at && $at < $to;
            $runs = array_values(
                array_filter(
                    $timeline->runs,
                    static fn (Run $run): bool => $run->start < $to
                        && ($run->stop ?? $run->start) >= $from
                        && ($run->stop !== null || $run->start < $to),
                ),
            );
            $checks = array_values(array_filter($timeline->checks, static fn (Check $check): bool => $inDay($check->at)));
            $open = array_values(array_filter($foresight->openRuns($timeline), static fn (Run $run): bool => $run->start < $to));
            foreach ($runs as $run) {
                $verdicts[$run->id] = null;
            }
            $last = null;
            foreach ($timeline->checks as $check) {
                $last = $check->at < $to ? $check : $last;
            }
            $running = array_values(array_filter($timeline->runs, static fn (Run $run): bool => $run->stop === null && $run->start < $to));
            $draft = $this->connection->fetchOne('SELECT id FROM check_draft WHERE instrument_id = ? AND closed_at IS NULL', [$id]);
            $units[] = [
                'id' => $id,
                'model' => $timeline->instrument->model,
                'runs' => array_map(
                    static fn (Run $run): array => [
                        'id' => $run->id,
                        'start' => $run->start->setTimezone($zone)->format(\DATE_ATOM),
                        'stop' => $run->stop?->setTimezone($zone)->format(\DATE_ATOM),
                        'person' => $run->person,
                        'task' => $run->task,
                        'place' => $run->place,
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
                'draft' => \is_string($draft) ? $draft : null,
                'lastCheck' => $last?->at->setTimezone($zone)->format(\DATE_ATOM),
                'next' => match (true) {
                    \is_string($draft) => 'finish the check',
                    $running !== [] => 'stop the run',
                    $open !== [] => 'check as found',
                    $last === null || $last->at < $from => 'check before use',
                    $runs === [] => 'start a run',
                    default => 'done for the day',
                },
            ];
        }
        if ($verdicts !== []) {
            // Each run is judged by the policy of its own campaign.
            $ids = array_map(strval(...), array_keys($verdicts));
            $marks = implode(', ', array_fill(0, \count($ids), '?'));
            $byPolicy = [];
            foreach ($this->connection->fetchAllNumeric("SELECT r.id, c.policy_key FROM run r JOIN campaign c ON c.id = r.campaign_id WHERE r.id IN ($marks)", $ids) as [$run, $key]) {
                \assert(\is_string($run) && \is_string($key));
                $byPolicy[$key][] = $run;
            }
            foreach ($byPolicy as $key => $some) {
                $this->workings->workOut($some, $key);
            }
            foreach ($this->connection->fetchAllAssociative("SELECT w.run_id, w.verdict, w.summary FROM worked_run w JOIN run r ON r.id = w.run_id JOIN campaign c ON c.id = r.campaign_id AND c.policy_key = w.policy_key WHERE w.run_id IN ($marks)", $ids) as $row) {
                $verdicts[Cells::text($row, 'run_id')] = ['verdict' => Cells::text($row, 'verdict'), ...Cells::json($row, 'summary')];
            }
        }
        foreach ($units as $place => $unit) {
            foreach ($unit['runs'] as $at => $run) {
                $units[$place]['runs'][$at]['worked'] = $verdicts[$run['id']] ?? null;
            }
        }

        return new JsonResponse([
            'date' => $date,
            'zone' => $zone->getName(),
            'campaign' => $campaign === false
                ? null
                : [
                    'id' => Cells::text($campaign, 'id'),
                    'title' => Cells::text($campaign, 'title'),
                    'site' => Cells::text($campaign, 'site'),
                ],
            'days' => $this->days($zone),
            'units' => $units,
        ]);
    }

    private function hasEvidence(string $date, \DateTimeZone $zone): bool
    {
        $from = (new \DateTimeImmutable($date, $zone))->setTimezone(new \DateTimeZone('UTC'));
        $values = [$from->format('Y-m-d H:i:s'), $from->modify('+1 day')->format('Y-m-d H:i:s')];

        return $this->connection->fetchOne('SELECT 1 FROM check_record WHERE checked_at >= ? AND checked_at < ? LIMIT 1', $values) !== false
            || $this->connection->fetchOne('SELECT 1 FROM run WHERE started_at >= ? AND started_at < ? LIMIT 1', $values) !== false;
    }

    /** @return list<string> the last days with a run or a check */
    private function days(\DateTimeZone $zone): array
    {
        $days = [];
        foreach ($this->connection->fetchFirstColumn(
            'SELECT DISTINCT substr(started_at, 1, 13) FROM run UNION SELECT DISTINCT substr(checked_at, 1, 13) FROM check_record ORDER BY 1 DESC LIMIT 400',
        ) as $hour) {
            if (\is_string($hour)) {
                $days[(new \DateTimeImmutable($hour.':00', new \DateTimeZone('UTC')))->setTimezone($zone)->format('Y-m-d')] = true;
            }
        }

        return \array_slice(array_keys($days), 0, 30);
    }
}
