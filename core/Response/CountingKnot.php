<?php

declare(strict_types=1);

namespace Footnote\Core\Response;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** The flow and the background that one end of one check showed, and where they sit in time. */
final readonly class CountingKnot implements Knot
{
    use OfCheck;

    /**
     * @param Figure               $flow       L/min
     * @param array<string, Figure> $background counts per minute by size; a size that was not counted is missing
     * @param string               $check      identifier of the check
     * @param bool                 $asLeft     true: the state it was left in, which begins a segment; false: as found
     * @param bool                 $assumed    true where the flow was not read
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public Figure $flow,
        public array $background,
        public string $check,
        public bool $asLeft,
        public bool $assumed = false,
    ) {
    }

    public function movedTo(\DateTimeImmutable $at): static
    {
        return new self($at, $this->flow, $this->background, $this->check, $this->asLeft, $this->assumed);
    }

    /** Counts per minute of a size that clean air gives; none where nobody counted. */
    public function backgroundOf(string $size): float
    {
        return isset($this->background[$size]) ? $this->background[$size]->toFloat() : 0.0;
    }

    /** The same as an input. */
    public function backgroundIn(string $size, Unit $unit): Figure
    {
        return $this->background[$size] ?? Figure::read(
            'b',
            'background from '.$size.' µm: not counted, taken as nothing',
            Exact::zero(),
            $unit,
            new Origin('assumption', $this->check, 'nobody counted it'),
            0,
        );
    }

    /** The same with another background of a size. */
    public function withBackground(string $size, Figure $background): self
    {
        return new self($this->at, $this->flow, [...$this->background, $size => $background], $this->check, $this->asLeft, $this->assumed);
    }
}
