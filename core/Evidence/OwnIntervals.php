<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The intervals that a site has set for one instrument or one reference. They are added, never overwritten. */
final readonly class OwnIntervals
{
    /** @param list<OwnInterval> $all in the order in which they were added */
    public function __construct(public array $all = [])
    {
    }

    /** What holds on the day of a moment, in the zone the moment is told in: the latest; of several of one day the one added last. */
    public function at(Routine $routine, \DateTimeImmutable $moment): ?OwnInterval
    {
        $latest = null;
        foreach ($this->all as $own) {
            if ($own->routine === $routine->id()
                && $own->since->format('Y-m-d') <= $moment->format('Y-m-d')
                && ($latest === null || $own->since >= $latest->since)) {
                $latest = $own;
            }
        }

        return $latest;
    }
}
