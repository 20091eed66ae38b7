<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** The steps of a check in the order in which they are walked. */
final readonly class Procedure
{
    /** @param list<Step> $steps */
    public function __construct(public string $id, public string $title, public array $steps)
    {
    }

    /**
     * The procedure of that identifier, else the first.
     *
     * @param non-empty-list<self> $procedures
     */
    public static function among(array $procedures, string $id): self
    {
        foreach ($procedures as $procedure) {
            if ($procedure->id === $id) {
                return $procedure;
            }
        }

        return $procedures[0];
    }

    /**
     * Whether a row of units can be walked through it one after the other on one reference: the reference is chosen once, and
     * each unit is adjusted or left at one moment at most.
     */
    public function suitsARound(): bool
    {
        return $this->countOf(StepKind::Reference) === 1 && $this->countOf(StepKind::Adjust) <= 1 && $this->countOf(StepKind::Readings) > 0;
    }

    /** @return list<Step> what is done to each unit of a row before any of them is adjusted: what they share is seen then */
    public function untilAdjusted(): array
    {
        $steps = [];
        foreach ($this->steps as $step) {
            if ($step->kind === StepKind::Adjust) {
                break;
            }
            $steps[] = $step;
        }

        return $steps;
    }

    /** The step whose readings are looked at during a step: its own; while something is waited for, the next that is read. */
    public function watchedAt(Step $step): ?Step
    {
        if ($step->kind !== StepKind::Wait) {
            return $step;
        }
        foreach (\array_slice($this->steps, ($this->place($step->id) ?? 0) + 1) as $next) {
            if ($next->kind === StepKind::Readings) {
                return $next;
            }
        }

        return null;
    }

    private function countOf(StepKind $kind): int
    {
        return \count(array_filter($this->steps, static fn (Step $step): bool => $step->kind === $kind));
    }

    public function step(string $id): ?Step
    {
        foreach ($this->steps as $step) {
            if ($step->id === $id) {
                return $step;
            }
        }

        return null;
    }

    /** The place of a step, from 0; null where it is not of this procedure. */
    public function place(string $id): ?int
    {
        foreach ($this->steps as $place => $step) {
            if ($step->id === $id) {
                return $place;
            }
        }

        return null;
    }
}
