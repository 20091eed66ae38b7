<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What one person does before the measuring. */
final readonly class OnePerson
{
    /**
     * @param list<Activity>       $activities the last first
     * @param array{int, int, int} $rank       minutes of being there too early, negative; first switch-on; minutes of waiting, negative
     * @param bool                 $every      whether it is the best of every order
     */
    public function __construct(public array $activities, public array $rank, public bool $every)
    {
    }

    public static function idle(): self
    {
        return new self([], [0, \PHP_INT_MAX, 0], true);
    }

    public function ofThoseTried(): self
    {
        return new self($this->activities, $this->rank, false);
    }

    /** Both together: how good the day is with what another does. */
    public function with(self $other): self
    {
        return new self(
            [...$this->activities, ...$other->activities],
            [$this->rank[0] + $other->rank[0], min($this->rank[1], $other->rank[1]), $this->rank[2] + $other->rank[2]],
            $this->every && $other->every,
        );
    }
}
