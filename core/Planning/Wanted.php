<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

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
     */
    public function __construct(
        public string $id,
        public string $words,
        public string $family,
        public string $place,
        public Span $span,
        public Pins $pins = new Pins(),
    ) {
    }

    /** The same, begun later: what is measured ends when it was wanted to. */
    public function from(\DateTimeImmutable $later): self
    {
        return new self($this->id, $this->words, $this->family, $this->place, new Span($later, $this->span->to), $this->pins);
    }

    /** The same, whichever unit measures it. */
    public function byAnyUnit(): self
    {
        return new self($this->id, $this->words, $this->family, $this->place, $this->span, new Pins(by: $this->pins->by));
    }
}
