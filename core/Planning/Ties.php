<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

/** What a unit hangs on besides itself. */
final readonly class Ties
{
    /**
     * @param array<string, \DateTimeImmutable> $counts by = and the reference, the last moment at which it is in date; without those that
     *                                                  nothing ends of
     * @param list<string>                      $plans  others that have the unit at the same time
     */
    public function __construct(public array $counts = [], public array $plans = [])
    {
    }

    public function until(?string $reference): ?\DateTimeImmutable
    {
        return $this->counts['='.$reference] ?? null;
    }
}
