<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** A day as it is planned: everything that somebody does, in order of time. */
final readonly class DayPlan
{
    /**
     * @param list<Task>      $tasks      that are done
     * @param list<Activity>  $activities in their order
     * @param list<Shortfall> $short      what is not done as it was wanted
     * @param list<string>    $over       what else does not go: who stays too long, batteries, dates, what another plan wants, in sentences
     * @param bool            $every      whether it is the best of every order; else of those that were tried
     */
    public function __construct(
        public DayAsked $asked,
        public array $tasks,
        public array $activities,
        public array $short,
        public array $over,
        public bool $every,
    ) {
    }

    /** @param list<string> $over what else does not go, in sentences */
    public function butFor(array $over): self
    {
        return new self($this->asked, $this->tasks, $this->activities, $this->short, [...$this->over, ...$over], $this->every);
    }

    /** The activity of a measurement of that kind; null where it is not done. */
    public function activity(Wanted $wanted, ActivityKind $kind): ?Activity
    {
        foreach ($this->activities as $one) {
            if ($one->kind === $kind && $one->task->wanted->id === $wanted->id) {
                return $one;
            }
        }

        return null;
    }

    /** @return list<Activity> what somebody does, in order */
    public function ofMember(string $name): array
    {
        return array_values(array_filter($this->activities, static fn (Activity $one): bool => $one->by === $name));
    }

    /** Minutes by which a measurement begins later than it was wanted; 0 where it does not, or is not done. */
    public function lateness(Wanted $wanted): int
    {
        $fit = $this->activity($wanted, ActivityKind::Fit);

        return $fit === null ? 0 : max(0, $fit->to - $fit->task->begins);
    }

    /** @return list<Journey> the ways between, in order of time */
    public function journeys(): array
    {
        $journeys = [];
        foreach ($this->asked->crew as $member) {
            array_push($journeys, ...Journey::between($this->asked->places, $member->name, $this->ofMember($member->name)));
        }
        usort($journeys, static fn (Journey $one, Journey $other): int => [$one->leaves, $one->by] <=> [$other->leaves, $other->by]);

        return $journeys;
    }

    /**
     * The same where something is done already, and something is late.
     *
     * @param array<string, array{from: int, to: int}> $done as of {@see Moved}
     */
    public function movedBy(array $done, ?int $now): self
    {
        $activities = Moved::activities($this->asked, $this->activities, $done, $now);

        return new self($this->asked, $this->tasks, $activities, $this->short, $this->over, $this->every);
    }
}
