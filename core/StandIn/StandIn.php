<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** Something simulated that a family brings, so that everything can be tried, taught and tested without hardware. */
interface StandIn
{
    public function id(): string;

    public function title(): string;

    /** @return list<Fault> */
    public function faults(): array;

    /**
     * What it prints, a line for each channel and reading.
     *
     * @param string|null $fault one of its own; null: nothing is wrong with it
     *
     * @return iterable<Line> without an end
     */
    public function lines(\DateTimeImmutable $from, int $seed, ?string $fault): iterable;
}
