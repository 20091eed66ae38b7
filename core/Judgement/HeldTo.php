<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a run is judged by: the policy of its campaign, and what the campaign measures against. */
final readonly class HeldTo
{
    public function __construct(public Policy $policy, public Yardsticks $yardsticks = new Yardsticks([], []))
    {
    }
}
