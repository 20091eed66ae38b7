<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Run;

/** A family whose runs add up: several samples of one person's shift make one exposure. */
interface Composing
{
    /** Whether two runs of one campaign belong to the same shift. */
    public function sameShift(Run $one, Run $other): bool;

    /**
     * Results over the whole shift. They combine lower ends with lower ends and upper with upper; what is void is not
     * measured.
     *
     * @param list<Assessment> $shift every run of the shift worked out alone, the judged one among them, in order of time
     *
     * @return list<Result>
     */
    public function compose(Assessment $own, array $shift, Policy $policy, Yardsticks $yardsticks): array;
}
