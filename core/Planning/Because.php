<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** Why something stands at the minute at which it stands: what comes before is as late as it can be, what comes after as soon. */
final readonly class Because
{
    public function __construct(private DayPlan $plan)
    {
    }

    public function of(Activity $one): string
    {
        return $one->kind->isBefore() ? $this->before($one) : $this->after($one);
    }

    private function before(Activity $one): string
    {
        $at = static fn (int $minute): string => $one->task->moment($minute)->format('H:i');
        if ($one->kind === ActivityKind::Fit && $one->to === $one->task->begins) {
            return \sprintf('It is wanted from %s.', $at($one->to));
        }
        if ($one->kind === ActivityKind::Fit && $one->to > $one->task->begins) {
            return \sprintf('Not sooner: wanted from %s, and %s cannot be there earlier.', $at($one->task->begins), $one->by);
        }
        $check = $this->plan->activity($one->task->wanted, ActivityKind::PreCheck);
        $soak = $one->task->unit->readiness->soak;
        if ($one->kind === ActivityKind::SwitchOn && $check !== null && $soak > 0 && $one->to + $soak === $check->from) {
            return \sprintf('%d min before its check at %s.', $soak, $at($check->from));
        }
        $next = $this->nextOf($one);
        $way = $next === null ? 0 : $this->plan->asked->places->between($one->place, $next->place);
        if ($next !== null && $one->to + $way === $next->from) {
            return $way > 0
                ? \sprintf('%s leaves for %s at %s.', $one->by, $next->place, $at($one->to))
                : \sprintf('%s goes on with %s at %s.', $one->by, $next->task->unit->id, $at($next->from));
        }
        $use = $this->useOf($one, static fn (Activity $other): bool => $other->from === $one->to);
        if ($use !== null) {
            return \sprintf('%s is wanted for %s at %s.', $use->reference, $use->task->unit->id, $at($use->from));
        }

        return 'As late as it can be.';
    }

    private function after(Activity $one): string
    {
        $at = static fn (int $minute): string => $one->task->moment($minute)->format('H:i');
        if ($one->kind === ActivityKind::TakeOff && $one->from === $one->task->ends) {
            return \sprintf('It is wanted until %s.', $at($one->from));
        }
        $before = $this->beforeOf($one);
        $way = $before === null ? 0 : $this->plan->asked->places->between($before->place, $one->place);
        if ($before !== null && $before->to + $way === $one->from) {
            return $way > 0
                ? \sprintf('%s is back from %s.', $one->by, $before->place)
                : \sprintf('%s is done with %s.', $one->by, $before->task->unit->id);
        }
        $use = $this->useOf($one, static fn (Activity $other): bool => $other->to === $one->from);
        if ($use !== null) {
            return \sprintf('%s is free again.', $use->reference);
        }

        return 'As soon as it can be.';
    }

    private function nextOf(Activity $one): ?Activity
    {
        foreach ($this->plan->ofMember($one->by) as $other) {
            if ($other->from >= $one->to) {
                return $other;
            }
        }

        return null;
    }

    private function beforeOf(Activity $one): ?Activity
    {
        $before = null;
        foreach ($this->plan->ofMember($one->by) as $other) {
            $before = $other->to <= $one->from ? $other : $before;
        }

        return $before;
    }

    /** @param callable(Activity): bool $touches */
    private function useOf(Activity $one, callable $touches): ?Activity
    {
        foreach ($this->plan->activities as $other) {
            if ($one->reference !== null && $other->reference === $one->reference && $touches($other)) {
                return $other;
            }
        }

        return null;
    }
}
