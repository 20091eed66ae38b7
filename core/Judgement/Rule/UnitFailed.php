<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A check after the run, or during it, is evidence against the unit: it closes the bracket as failed, whatever comes later. */
final readonly class UnitFailed implements Rule
{
    public function id(): string
    {
        return 'bracket.failed';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $break = $case->bracket->search->brokenAfter;
        if ($break !== null && $break->failed) {
            yield $setting->finding(
                \sprintf('At the check of %s it failed: %s.', $case->hour($break->at), $break->what),
                [$break->evidence],
            );
        }
    }
}
