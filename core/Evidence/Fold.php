<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** How a family adds a check to what a unit's checks came to before it. */
interface Fold
{
    /** Under which its marks are kept; another name where it adds differently. */
    public function name(): string;

    /** @param Timeline $timeline of the unit or channel, which is asked for nothing later than the check */
    public function after(Tally $tally, Check $check, Timeline $timeline): Tally;
}
