<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;

/** How long before a measurement its unit is switched on, put together of what happens in between. */
final readonly class Lead
{
    /** @return Figure|null min; null where the measurement is not done */
    public static function of(DayPlan $plan, Wanted $wanted): ?Figure
    {
        $on = $plan->activity($wanted, ActivityKind::SwitchOn);
        $check = $plan->activity($wanted, ActivityKind::PreCheck);
        $fit = $plan->activity($wanted, ActivityKind::Fit);
        if ($on === null || $check === null || $fit === null) {
            return null;
        }
        $begins = max($fit->to, $on->task->begins);
        $way = $plan->asked->places->between($check->place, $fit->place);
        $parts = [
            ['switching on', $on->to - $on->from],
            ['from there to the check', $check->from - $on->to],
            ['check', $check->to - $check->from],
            [\sprintf('from %s to %s', $check->place, $fit->place), $way],
            ['other work, and other visits, in between', $fit->from - $check->to - $way],
            ['fitting', $fit->to - $fit->from],
            ['ready, before it is wanted', $begins - $fit->to],
        ];
        $origin = new Origin('plan', $wanted->id, 'as planned');
        $figures = [];
        foreach ($parts as $part) {
            if ($part[1] !== 0) {
                $figures[] = Figure::read('t_i', $part[0], Exact::of($part[1]), CommonUnit::Minute, $origin, 0);
            }
        }

        return Figure::derived(
            't',
            'on before it is wanted',
            Exact::of($begins - $on->from),
            CommonUnit::Minute,
            PlanEquation::Lead,
            Row::of('t_i', $figures),
            0,
        );
    }
}
