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
     * @param string      $id       what its state is recorded under
     * @param bool        $required whether leaving it out is a finding
     * @param int|null    $seconds  how long to wait, s
     * @param string|null $when     the step is asked only after this answer: "adjusted"
     * @param string      $into     of a step of readings: the list its rows go to, such as "asFound"
     * @param int         $rows     how many rows it begins with
     */
    public function __construct(
        public string $id,
        public StepKind $kind,
        public string $title,
        public string $instruction,
        public string $why,
        public bool $required = true,
        public ?int $seconds = null,
        public ?string $when = null,
        public string $into = '',
        public int $rows = 1,
    ) {
    }
}
