<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;

/** The offset that one end of one check showed (indicated − true, dB), and where it sits in time. */
final readonly class OffsetKnot implements Knot
{
    use OfCheck;

    /**
     * @param string $check   identifier of the check
     * @param bool   $asLeft  true: the state it was left in, which begins a segment; false: as found
     * @param bool   $assumed true where the state was not read and nominal is assumed
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public Figure $offset,
        public string $check,
        public bool $asLeft,
        public bool $assumed = false,
    ) {
    }

    public function movedTo(\DateTimeImmutable $at): static
    {
        return new self($at, $this->offset, $this->check, $this->asLeft, $this->assumed);
    }
}
