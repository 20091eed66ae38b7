<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** One step of a check, as data: the bench renders it, the rules ask what became of it. */
final readonly class Step
{
    /** Identifiers by which rules of all families know a step, wherever a procedure has it. */
    public const STOPPED = 'stopped';
    public const WARM_UP = 'warm-up';

    /**
     * @param string            $id        what its state is recorded under
     * @param bool              $required  whether leaving it out is a finding
     * @param int|null          $seconds   how long to wait, s
     * @param string|null       $onlyAfter the step is asked only after this answer: "adjusted"
     * @param ReadingsList|null $readings  of a step of readings: the list its rows go to
     */
    public function __construct(
        public string $id,
        public StepKind $kind,
        public StepWords $words,
        public bool $required = true,
        public ?int $seconds = null,
        public ?string $onlyAfter = null,
        public ?ReadingsList $readings = null,
    ) {
    }

    /** The same where it is asked only after that answer. */
    public function onlyAfter(string $answer): self
    {
        return new self($this->id, $this->kind, $this->words, $this->required, $this->seconds, $answer, $this->readings);
    }

    /** The same waiting so long, s. */
    public function waiting(int $seconds): self
    {
        return new self($this->id, $this->kind, $this->words, $this->required, $seconds, $this->onlyAfter, $this->readings);
    }

    /** Of a step of adjusting, the answer that says whether it was. */
    public function saysAdjusted(): string
    {
        return $this->readings->name ?? 'adjusted';
    }
}
