<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Logbook\Logbook;
use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Run;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Planning\ActivityKind;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Planning\Moved;
use Footnote\Core\Planning\Task;
use Footnote\Core\Quantity\Span;

/** What of a plan is done, by what stands in the logbook: checks and runs of its units on that day. */
final readonly class DayFacts
{
    /** A run is of the plan where it is of the same person and begins so near to what was wanted, h. */
    private const NEAR = 12;

    /** A check is one of the plan, and not of the evening before, where it is so near to when it was planned, h. */
    private const CHECK_NEAR = 4;

    public function __construct(private Logbook $logbook)
    {
    }

    /**
     * @return array{done: array<string, array{from: int, to: int}>, evidence: array<string, string>} minutes by measurement and step, and
     *                                                                                               the check or run that says so
     */
    public function of(KeptPlan $kept): array
    {
        $plan = $kept->plan;
        $done = [];
        $evidence = [];
        $taken = [];
        foreach ($plan->tasks as $task) {
            $person = $kept->asked->rows[(int) $task->wanted->id - 1]['person'] ?? '';
            $timeline = $this->logbook->timeline($task->unit->id);
            $run = self::run($timeline, $task, \is_string($person) ? trim($person) : '', $taken);
            if ($run !== null) {
                $taken[] = $run->id;
            }
            foreach (self::steps($timeline, $plan, $task, $run) as $step) {
                $key = Moved::key($task->wanted, $step['kind']);
                $done[$key] = ['from' => $step['from'], 'to' => $step['to']];
                $evidence[$key] = $step['evidence'];
            }
        }

        return ['done' => $done, 'evidence' => $evidence];
    }

    /**
     * The run of its unit on that person that begins nearest to what was wanted: what it measured of somebody else is not this.
     *
     * @param list<string> $taken runs of other measurements
     */
    private static function run(Timeline $timeline, Task $task, string $person, array $taken): ?Run
    {
        $wanted = $task->wanted->span;
        $from = Span::shift($wanted->from, -3600 * self::NEAR);
        $nearest = null;
        $least = \INF;
        foreach ($timeline->runsFrom($from, $wanted->to) as $run) {
            $off = abs(Span::secondsBetween($wanted->from, $run->timing->start));
            if ($off < $least && $run->deployment->person === $person && !\in_array($run->id, $taken, true)) {
                $nearest = $run;
                $least = $off;
            }
        }

        return $nearest;
    }

    /** @return list<array{kind: ActivityKind, from: int, to: int, evidence: string}> */
    private static function steps(Timeline $timeline, DayPlan $plan, Task $task, ?Run $run): array
    {
        $steps = [];
        $begins = $run->timing->start ?? $task->wanted->span->from;
        $stops = $run?->timing->stop;
        $before = null;
        $after = null;
        $planned = $plan->activity($task->wanted, ActivityKind::PreCheck)->from ?? $task->begins;
        $from = min($begins, Span::shift($task->moment($planned), -3600 * self::CHECK_NEAR));
        $until = Span::shift($stops ?? $task->wanted->span->to, 3600 * self::NEAR);
        foreach ($timeline->checksFrom($from, $until) as $check) {
            $before = $check->at <= $begins ? $check : $before;
            $after ??= $stops !== null && $check->at >= $stops ? $check : null;
        }
        if ($before !== null) {
            $check = self::check(ActivityKind::PreCheck, $before, $task);
            $soaks = $check['from'] - $task->unit->readiness->soak;
            // Nobody writes down when a unit was switched on: at the latest so long before its check as it soaks.
            $on = min($soaks, $plan->activity($task->wanted, ActivityKind::SwitchOn)->to ?? $soaks);
            $switchOn = $plan->asked->handling->switchOn;
            $steps[] = ['kind' => ActivityKind::SwitchOn, 'from' => $on - $switchOn, 'to' => $on, 'evidence' => ''];
            $steps[] = $check;
        }
        if ($run !== null) {
            $start = self::minute($run->timing->start);
            $from = $start - $plan->asked->handling->fit;
            $steps[] = ['kind' => ActivityKind::Fit, 'from' => $from, 'to' => $start, 'evidence' => $run->id];
        }
        if ($run !== null && $stops !== null) {
            $stop = self::minute($stops);
            $to = $stop + $plan->asked->handling->takeOff;
            $steps[] = ['kind' => ActivityKind::TakeOff, 'from' => $stop, 'to' => $to, 'evidence' => $run->id];
        }
        if ($after !== null) {
            $steps[] = self::check(ActivityKind::PostCheck, $after, $task);
        }

        return $steps;
    }

    /** @return array{kind: ActivityKind, from: int, to: int, evidence: string} */
    private static function check(ActivityKind $kind, Check $check, Task $task): array
    {
        $at = self::minute($check->at);

        return ['kind' => $kind, 'from' => $at - $task->unit->readiness->check, 'to' => $at, 'evidence' => $check->id];
    }

    private static function minute(\DateTimeImmutable $at): int
    {
        return intdiv($at->getTimestamp(), 60);
    }
}
