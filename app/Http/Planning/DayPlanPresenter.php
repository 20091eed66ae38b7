<?php

declare(strict_types=1);

namespace Footnote\App\Http\Planning;

use Footnote\App\Logbook\SiteClock;
use Footnote\App\Planning\DayBudget;
use Footnote\App\Planning\DayFacts;
use Footnote\App\Planning\DayPlans;
use Footnote\App\Planning\KeptPlan;
use Footnote\App\Planning\Packing;
use Footnote\Core\Derivation\Sheet;
use Footnote\Core\Planning\Activity;
use Footnote\Core\Planning\ActivityKind;
use Footnote\Core\Planning\Because;
use Footnote\Core\Planning\Budget;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Planning\Journey;
use Footnote\Core\Planning\Lead;
use Footnote\Core\Planning\Moved;
use Footnote\Core\Planning\Shortfall;
use Footnote\Core\Planning\Task;

/** A plan of a day as it was kept, beside what of it is done and what that moves. */
final readonly class DayPlanPresenter
{
    public function __construct(
        private DayPlans $plans,
        private DayFacts $facts,
        private DayBudget $budget,
        private DaySamples $samples,
        private Packing $packing,
        private SiteClock $site,
    ) {
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        return ['items' => $this->plans->all(), 'today' => $this->site->now()->format('Y-m-d')];
    }

    /** @return array<string, mixed> */
    public function one(string $id): array
    {
        $head = $this->plans->head($id);
        $kept = $this->plans->of($head['body']);
        $plan = $kept->plan;
        $now = $this->site->now();
        $facts = $this->facts->of($kept);
        $isToday = $now->format('Y-m-d') === $head['day'];
        $moved = $plan->movedBy($facts['done'], $isToday ? intdiv($now->getTimestamp(), 60) : null);
        $packing = $this->packing->of($plan);
        $models = [];
        foreach ($packing as $one) {
            $models['='.$one['id']] = $one['model'];
        }
        $sheet = new Sheet();
        $budget = array_map(static fn (Budget $one): array => [
            'reference' => $one->reference,
            'checks' => $one->checks,
            'isEnough' => $one->after === null ? null : $one->isEnough(),
            'after' => $one->after === null ? null : SamplePresenter::line($one->after, $sheet),
        ], $this->budget->of($plan));

        return [
            ...array_diff_key($head, ['body' => 1]),
            'zone' => $now->getTimezone()->getName(),
            'today' => $now->format('Y-m-d'),
            'now' => $now->format(\DATE_ATOM),
            'asked' => $kept->asked->told,
            'tasks' => array_map(fn (Task $task): array => [
                ...$this->task($kept, $task, $sheet),
                'model' => $models['='.$task->unit->id] ?? '',
            ], $plan->tasks),
            'activities' => $this->activities($plan, $moved, $facts),
            'journeys' => $this->journeys($plan),
            'short' => array_map(
                static fn (Shortfall $one): array => [...KeptPlan::short($one), 'words' => $one->wanted->words],
                $plan->short,
            ),
            'over' => $plan->over,
            'every' => $plan->every,
            'budget' => $budget,
            'samples' => $this->samples->of($kept, $sheet),
            'packing' => $packing,
            'figures' => $sheet->rows(),
        ];
    }

    /** @return array<string, mixed> */
    private function task(KeptPlan $kept, Task $task, Sheet $sheet): array
    {
        $row = $kept->asked->rows[(int) $task->wanted->id - 1];
        $lead = Lead::of($kept->plan, $task->wanted);
        $after = $kept->plan->activity($task->wanted, ActivityKind::PostCheck);
        $charge = $task->unit->readiness->charge;

        return [
            'wanted' => $task->wanted->id,
            'person' => $row['person'] ?? '',
            'task' => $row['task'] ?? '',
            'place' => $task->wanted->place,
            'family' => $task->wanted->family,
            ...$task->wanted->span->ends(),
            'unit' => $task->unit->id,
            'by' => $kept->plan->activity($task->wanted, ActivityKind::Fit)->by ?? '',
            'late' => $kept->plan->lateness($task->wanted),
            'lead' => $lead === null ? null : SamplePresenter::line($lead, $sheet),
            'charged' => $after === null || $charge === null ? null : $this->moment($task, $after->to + $charge),
            'sources' => $task->unit->readiness->sources,
            'notes' => $task->unit->notes,
        ];
    }

    /**
     * @param array{done: array<string, array{from: int, to: int}>, evidence: array<string, string>} $facts
     *
     * @return list<array<string, mixed>> in the order of the plan
     */
    private function activities(DayPlan $plan, DayPlan $moved, array $facts): array
    {
        $because = new Because($plan);

        return array_map(function (Activity $one) use ($because, $moved, $facts): array {
            $now = $moved->activity($one->task->wanted, $one->kind) ?? $one;
            $key = Moved::key($one->task->wanted, $one->kind);

            return [
                'kind' => $one->kind->value,
                'wanted' => $one->task->wanted->id,
                'unit' => $one->task->unit->id,
                'by' => $one->by,
                'place' => $one->place,
                'from' => $this->moment($one->task, $one->from),
                'to' => $this->moment($one->task, $one->to),
                'reference' => $one->reference,
                'because' => $because->of($one),
                'done' => isset($facts['done'][$key]),
                'evidence' => $facts['evidence'][$key] ?? '',
                'nowFrom' => $this->moment($one->task, $now->from),
                'nowTo' => $this->moment($one->task, $now->to),
            ];
        }, $plan->activities);
    }

    /** @return list<array<string, mixed>> */
    private function journeys(DayPlan $plan): array
    {
        $task = $plan->tasks[0] ?? null;

        return $task === null ? [] : array_map(fn (Journey $one): array => [
            'by' => $one->by,
            'from' => $one->from,
            'to' => $one->to,
            'leaves' => $this->moment($task, $one->leaves),
            'arrives' => $this->moment($task, $one->arrives),
        ], $plan->journeys());
    }

    private function moment(Task $task, int $minute): string
    {
        return $task->moment($minute)->format(\DATE_ATOM);
    }
}
