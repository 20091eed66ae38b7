<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Quantity\Span;

/** A measurement that is wanted on a day: of whom, of what, where, from when to when. */
final readonly class Wanted
{
    /**
     * @param string $id     by which the plan knows it
     * @param string $words  person and task
     * @param string $family of instruments that measures it
     * @param Span   $span   that must be measured
     * @param Pins   $pins   what somebody has settled already
     * @param Traits $demanded of the unit
     */
    public function __construct(
        public string $id,
        public string $words,
        public string $family,
        public string $place,
        public Span $span,
        public Pins $pins = new Pins(),
        public Traits $demanded = new Traits(),
    ) {
    }

    /** The same, begun later: what is measured ends when it was wanted to. */
    public function from(\DateTimeImmutable $later): self
    {
        $span = new Span($later, $this->span->to);

        return new self($this->id, $this->words, $this->family, $this->place, $span, $this->pins, $this->demanded);
    }

    /** The same, whichever unit measures it. */
    public function byAnyUnit(): self
    {
        $pins = new Pins(by: $this->pins->by);

        return new self($this->id, $this->words, $this->family, $this->place, $this->span, $pins, $this->demanded);
    }
}
