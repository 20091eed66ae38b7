<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Quantity\Span;

/** Somebody who goes out, and from when to when that person is there. Begins and ends at the base. */
final readonly class Member
{
    public function __construct(public string $name, public Span $there)
    {
    }

    /** The first whole minute at which that person is at the base. */
    public function comes(): int
    {
        return -intdiv(-$this->there->from->getTimestamp(), 60);
    }

    /** The minute by which that person is back at the base, everything done. */
    public function leaves(): int
    {
        return intdiv($this->there->to->getTimestamp(), 60);
    }
}
