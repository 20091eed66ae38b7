<?php

declare(strict_types=1);

namespace Footnote\App\Office;

use Footnote\App\Planning\DayPlans;
use Footnote\Core\Planning\Activity;
use Footnote\Core\Planning\Because;
use Footnote\Core\Planning\DayPlan;

/**
 * The days that are planned for a person, today and ahead.
 *
 * @phpstan-type Planned array{id: string, from: \DateTimeImmutable, to: \DateTimeImmutable, title: string, lines: list<string>}
 */
final readonly class PlannedDays
{
    public function __construct(private DayPlans $plans)
    {
    }

    /**
     * @param \DateTimeImmutable $now in the zone of the site
     *
     * @return list<Planned>
     */
    public function of(string $person, \DateTimeImmutable $now): array
    {
        $days = [];
        foreach ($this->plans->since($now->format('Y-m-d')) as $id) {
            $plan = $this->plans->plan($id)->plan;
            $own = $plan->ofMember($person);
            if ($own !== []) {
                $days[] = ['id' => $id, ...self::day($plan, $own)];
            }
        }

        return $days;
    }

    /**
     * @param non-empty-list<Activity> $own
     *
     * @return array{from: \DateTimeImmutable, to: \DateTimeImmutable, title: string, lines: list<string>}
     */
    private static function day(DayPlan $plan, array $own): array
    {
        $because = new Because($plan);
        $last = $own[\count($own) - 1];
        $lines = array_map(static fn (Activity $one): string => \sprintf(
            '%s %s, %s, %s. %s',
            $one->task->moment($one->from)->format('H:i'),
            $one->kind->value,
            $one->task->unit->id,
            $one->place,
            $because->of($one),
        ), $own);

        return [
            'from' => $own[0]->task->moment($own[0]->from),
            'to' => $last->task->moment($last->to),
            'title' => \sprintf('Measuring: %s %s first', $own[0]->kind->value, $own[0]->task->unit->id),
            'lines' => $lines,
        ];
    }
}
