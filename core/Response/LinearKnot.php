<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;

/** The response r = z + g·c that one end of one check showed, and where it sits in time. */
final readonly class LinearKnot implements Knot
{
    use OfCheck;

    /**
     * @param Figure $zero    z, in the unit of the channel
     * @param Figure $gain    g, a number
     * @param string $check   identifier of the check
     * @param bool   $asLeft  true: the state it was left in, which begins a segment; false: as found
     * @param bool   $assumed true where the state was not read
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public Figure $zero,
        public Figure $gain,
        public string $check,
        public bool $asLeft,
        public bool $assumed = false,
    ) {
    }

    public function movedTo(\DateTimeImmutable $at): static
    {
        return new self($at, $this->zero, $this->gain, $this->check, $this->asLeft, $this->assumed);
    }

    public function withZero(Figure $zero): self
    {
        return new self($this->at, $zero, $this->gain, $this->check, $this->asLeft, $this->assumed);
    }
}
