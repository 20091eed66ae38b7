<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;

/** The flow that one end of one check showed, L/min at the conditions of the run, and where it sits in time. */
final readonly class FlowKnot implements Knot
{
    use OfCheck;

    /**
     * @param string $check   identifier of the check
     * @param bool   $asLeft  true: the state it was left in, which begins a segment; false: as found
     * @param bool   $assumed true where the state was not read and the flow it was set for is assumed
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public Figure $flow,
        public string $check,
        public bool $asLeft,
        public bool $assumed = false,
    ) {
    }

    public function movedTo(\DateTimeImmutable $at): static
    {
        return new self($at, $this->flow, $this->check, $this->asLeft, $this->assumed);
    }
}
