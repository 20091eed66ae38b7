<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** Something that a person does with a unit, from one minute to another: minutes since 1970 in UTC. */
final readonly class Activity
{
    /** @param string|null $reference that is used at a check */
    public function __construct(
        public ActivityKind $kind,
        public Task $task,
        public string $by,
        public string $place,
        public int $from,
        public int $to,
        public ?string $reference = null,
    ) {
    }

    public function at(int $from): self
    {
        $to = $from + $this->to - $this->from;

        return new self($this->kind, $this->task, $this->by, $this->place, $from, $to, $this->reference);
    }

    /** @param array{from: int, to: int} $fact when it was done */
    public function done(array $fact): self
    {
        return new self($this->kind, $this->task, $this->by, $this->place, $fact['from'], $fact['to'], $this->reference);
    }

    public function isOf(Task $task): bool
    {
        return $this->task->wanted->id === $task->wanted->id;
    }

    /** In order of time, and where two begin at once by measurement and step: a plan is told the same way each time. */
    public static function inOrder(self $one, self $other): int
    {
        return [$one->from, $one->to, $one->task->wanted->id, $one->kind->value]
            <=> [$other->from, $other->to, $other->task->wanted->id, $other->kind->value];
    }
}
