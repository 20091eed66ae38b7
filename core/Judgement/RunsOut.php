<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What such a rule allows, it allows until a moment: a check grows old, a certificate falls due. */
interface RunsOut extends KnownBeforehand
{
    /** Until when a run may begin without a finding, if nothing else comes; null: it does not run out. */
    public function expiry(RunCase $case, RuleSetting $setting): ?Expiry;
}
