<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** One rule of judgement. Its logic is here; its limits and its weight are the policy's. */
interface Rule
{
    public function id(): string;

    /** @return iterable<Finding> */
    public function judge(RunCase $case, RuleSetting $setting): iterable;
}
