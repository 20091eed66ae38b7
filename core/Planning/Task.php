<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Quantity\Span;

/** A measurement that is wanted, and the unit that is to measure it. */
final readonly class Task
{
    /** Its unit must be fitted by this minute. */
    public int $begins;

    /** It is not taken off before this minute. */
    public int $ends;

    public function __construct(public Wanted $wanted, public UnitForDay $unit)
    {
        $this->begins = intdiv($wanted->span->from->getTimestamp(), 60);
        $this->ends = -intdiv(-$wanted->span->to->getTimestamp(), 60);
    }

    /** A minute as a moment, in the zone of what was wanted. */
    public function moment(int $minute): \DateTimeImmutable
    {
        return Span::shift($this->wanted->span->from, $minute * 60 - $this->wanted->span->from->getTimestamp());
    }

    /** Whether another is planned in the same way: where nothing differs, one order of the two is as good as the other. */
    public function isLike(self $other): bool
    {
        return $this->begins === $other->begins
            && $this->wanted->place === $other->wanted->place
            && $this->wanted->pins->by === $other->wanted->pins->by
            && $this->unit->readiness->isLike($other->unit->readiness)
            && $this->unit->references === $other->unit->references;
    }
}
