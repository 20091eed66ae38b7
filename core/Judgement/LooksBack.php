<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** A rule that holds what a run comes to against what it came to before its evidence was corrected. */
interface LooksBack extends Rule
{
    /** @return iterable<Finding> */
    public function lookBack(Assessment $now, AsWritten $asWritten, RuleSetting $setting): iterable;
}
