<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** How long a unit takes to be ready, in whole minutes, and where that is known from. */
final readonly class Readiness
{
    /**
     * @param int         $soak    between being switched on and its check: warming up, taking the temperature of the room
     * @param int         $check   hands are on it so long at a check
     * @param int|null    $battery it runs so long; null: nobody says
     * @param int|null    $charge  it is charged so long afterwards; null: nobody says
     * @param list<string> $sources of each, in words; what is assumed is called so
     * @param bool        $isAssumed whether nobody says how long the check takes
     */
    public function __construct(
        public int $soak,
        public int $check,
        public ?int $battery = null,
        public ?int $charge = null,
        public array $sources = [],
        public bool $isAssumed = false,
    ) {
    }

    /** From switching it on to the end of its check, hands and wait together. */
    public function whole(): int
    {
        return $this->soak + $this->check;
    }

    /** Whether another takes as long, step by step. */
    public function isLike(self $other): bool
    {
        return [$this->soak, $this->check] === [$other->soak, $other->check];
    }
}
