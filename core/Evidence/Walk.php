<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** How a check was walked through. */
final readonly class Walk
{
    /**
     * @param array<string, StepState> $steps     what became of each step of the procedure, by step, as they were done
     * @param array<string, string>    $reasons   why a step did not apply, by step
     * @param bool                     $brokenOff whether it was left before its end
     * @param list<OwnStep>            $own       that model sheets added to the procedure
     */
    public function __construct(
        public array $steps = [],
        public array $reasons = [],
        public bool $brokenOff = false,
        public Pace $pace = new Pace(),
        public array $own = [],
    ) {
    }

    /** @param array<string, StepState> $steps those of the steps that are told */
    public function only(array $steps): self
    {
        return new self($steps, array_intersect_key($this->reasons, $steps), $this->brokenOff, $this->pace, $this->own);
    }
}
