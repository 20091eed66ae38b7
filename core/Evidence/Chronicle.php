<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/**
 * What happened to a unit, each kind in the order in which it happened; of one moment by identifier. It is asked for a stretch
 * of time, so that nobody reads five years to judge a day. The same check or run asked for twice is the same object. A check
 * that another stands in the place of is none of it any more.
 */
interface Chronicle
{
    /** @return iterable<Check> up to a moment and at it, the latest first */
    public function checksUntil(\DateTimeImmutable $moment): iterable;

    /**
     * @param \DateTimeImmutable|null $until the last moment; null: without end
     *
     * @return iterable<Check> from a moment on and at it, the earliest first
     */
    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable;

    public function check(string $id): ?Check;

    /**
     * @param \DateTimeImmutable|null $until the last moment; null: without end
     *
     * @return iterable<Intervention> from a moment on and at it, the earliest first
     */
    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable;

    /**
     * Runs that began in a stretch.
     *
     * @param \DateTimeImmutable|null $until the last moment; null: without end
     *
     * @return list<Run> by their start
     */
    public function runsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): array;

    /** @return list<Run> that went on in between: begun before the one moment, not over at the other */
    public function runsAround(\DateTimeImmutable $from, \DateTimeImmutable $until): array;

    public function run(string $id): ?Run;

    /**
     * The same with its checks as they were first written: those that others stand in the place of, and none that stand in the
     * place of others. Null where nothing was corrected.
     */
    public function asWritten(): ?self;
}
