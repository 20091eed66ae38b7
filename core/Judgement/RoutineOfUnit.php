<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What is wanted of a unit again and again, by a rule; of one channel, or of the whole unit. */
final readonly class RoutineOfUnit
{
    public function __construct(public NamedRule $rule, public string $channel, public RoutineStanding $standing)
    {
    }
}
