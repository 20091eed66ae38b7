<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Derivation\Row;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** What the checks of a day take of a reference that they use up, and whether it is enough. */
final readonly class Budget
{
    /**
     * @param int         $checks of the day that lean on it
     * @param Figure|null $after  minutes that are left after them, below zero where it is not enough; null where nobody knows what is left
     */
    private function __construct(public string $reference, public int $checks, public ?Figure $after)
    {
    }

    /**
     * @param Figure|null                $left    minutes of the reference now
     * @param array<string, Decimal|int> $minutes of a check by = and the unit: as a sheet says, or the whole check where none does
     *
     * @return self|null null where no check of the day leans on it
     */
    public static function of(DayPlan $plan, string $reference, ?Figure $left, array $minutes): ?self
    {
        $taken = [];
        foreach ($plan->activities as $one) {
            if ($one->reference === $reference) {
                $each = $minutes['='.$one->task->unit->id] ?? $one->task->unit->readiness->check;
                $said = $each instanceof Decimal;
                $taken[] = Figure::read(
                    't_i',
                    \sprintf('%s, %s', $one->kind->value, $one->task->unit->id),
                    $said ? $each->value : Exact::of($each),
                    CommonUnit::Minute,
                    $said
                        ? new Origin('sheet', $one->task->unit->id, 'the sheet of the model')
                        : new Origin('assumption', $one->task->unit->id, 'not said: gas taken as on during the whole check'),
                    0,
                );
            }
        }
        if ($taken === []) {
            return null;
        }
        if ($left === null) {
            return new self($reference, \count($taken), null);
        }
        $rest = $left->value;
        foreach ($taken as $one) {
            $rest = Real::minus($rest, $one->value);
        }
        $after = Figure::derived(
            't_left',
            'minutes of gas left after the day',
            $rest,
            CommonUnit::Minute,
            PlanEquation::GasAfterTheDay,
            ['t' => $left, ...Row::of('t_i', $taken)],
            0,
        );

        return new self($reference, \count($taken), $after);
    }

    public function isEnough(): bool
    {
        return $this->after !== null && Real::compare($this->after->value, Exact::zero()) >= 0;
    }
}
