<?php

declare(strict_types=1);

namespace Footnote\App\Planning;

use Footnote\App\Storage\Cells;
use Footnote\Core\Planning\Activity;
use Footnote\Core\Planning\ActivityKind;
use Footnote\Core\Planning\DayPlan;
use Footnote\Core\Planning\Task;

/**
 * What is planned of each unit on a day, by every plan of that day.
 *
 * @phpstan-type Planned array{
 *     plan: string, person: string, task: string, on: string, check: string, from: string, to: string, after: string, until: string,
 * }
 */
final readonly class PlannedUnits
{
    public function __construct(private DayPlans $plans)
    {
    }

    /**
     * @param list<string> $plans
     *
     * @return array<string, list<Planned>> by = and the unit; moments with the offset of the site
     */
    public function of(array $plans): array
    {
        $units = [];
        foreach ($plans as $id) {
            $kept = $this->plans->plan($id);
            foreach ($kept->plan->tasks as $task) {
                $hours = self::hours($kept->plan, $task);
                if ($hours !== null) {
                    $row = $kept->asked->rows[(int) $task->wanted->id - 1];
                    $units['='.$task->unit->id][] = [
                        'plan' => $id,
                        'person' => Cells::text($row, 'person'),
                        'task' => Cells::text($row, 'task'),
                        ...$hours,
                    ];
                }
            }
        }

        return $units;
    }

    /** @return array{on: string, check: string, from: string, to: string, after: string, until: string}|null where a step is in no plan */
    private static function hours(DayPlan $plan, Task $task): ?array
    {
        [$on, $check, $fit, $off, $after] = array_map(
            static fn (ActivityKind $kind): ?Activity => $plan->activity($task->wanted, $kind),
            ActivityKind::cases(),
        );
        if ($on === null || $check === null || $fit === null || $off === null || $after === null) {
            return null;
        }
        $at = static fn (int $minute): string => $task->moment($minute)->format(\DATE_ATOM);

        return [
            'on' => $at($on->from),
            'check' => $at($check->from),
            'from' => $at($fit->to),
            'to' => $at($off->from),
            'after' => $at($after->from),
            'until' => $at($after->to),
        ];
    }
}
