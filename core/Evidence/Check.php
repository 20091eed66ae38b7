<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** A check of one instrument against one reference, as it was walked through. */
final readonly class Check
{
    /**
     * @param array<string, StepState> $steps    what became of each step of the procedure, by step
     * @param SetAside|null            $setAside a person's statement that this check shows nothing
     * @param array<string, string>    $reasons  why a step did not apply, by step
     */
    public function __construct(
        public string $id,
        public string $instrument,
        public \DateTimeImmutable $at,
        public string $by,
        public ?string $reference,
        public CheckContent $content,
        public array $steps = [],
        public bool $brokenOff = false,
        public ?SetAside $setAside = null,
        public string $remarks = '',
        public array $reasons = [],
    ) {
    }

    /** The same, its moment told in a zone: the day of a check is that of its site. */
    public function toldIn(\DateTimeZone $zone): self
    {
        return new self(
            $this->id,
            $this->instrument,
            $this->at->setTimezone($zone),
            $this->by,
            $this->reference,
            $this->content,
            $this->steps,
            $this->brokenOff,
            $this->setAside,
            $this->remarks,
            $this->reasons,
        );
    }

    /** Whether a step of its procedure was skipped, or jumped over while others were confirmed; either weighs the same. */
    public function missed(string $id): bool
    {
        return $this->steps !== [] && !\in_array($this->step($id), [StepState::Done, StepState::NotApplicable], true);
    }

    public function step(string $id): ?StepState
    {
        return $this->steps[$id] ?? null;
    }
}
