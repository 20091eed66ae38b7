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
