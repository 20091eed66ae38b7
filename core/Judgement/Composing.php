<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;

/** A family whose runs add up: several samples of one person's shift make one exposure. */
interface Composing
{
    /** Whether a run can be part of a shift at all. */
    public function composes(Run $run): bool;

    /**
     * Results over the whole shift; one under the key of a result of the run takes its place. They combine lower ends with
     * lower ends and upper with upper; what is void is not measured, and what went on side by side is never added.
     *
     * @param non-empty-list<Assessment> $shift every run of the shift worked out alone, the judged one among them, in order of time
     *
     * @return list<Result>
     */
    public function compose(Assessment $own, array $shift, Policy $policy, Yardsticks $yardsticks): array;
}
