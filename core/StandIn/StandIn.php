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
     * An exercise by itself: everything happens after its time, nobody does anything.
     *
     * @param string|null $fault one of its own; null: nothing is wrong with it
     *
     * @throws NoSuchFault
     */
    public function exercise(\DateTimeImmutable $from, int $seed, ?string $fault): Printing;

    /**
     * What it shows in the hands of somebody who walks a check.
     *
     * @param int $seed of what each one is off by, apart from others of its model
     *
     * @return list<StandInChannel>
     *
     * @throws NoSuchFault
     */
    public function atTheBench(Scene $scene, int $seed, ?string $fault): array;
}
