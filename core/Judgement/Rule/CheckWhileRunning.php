<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Procedure\Step;

/** A check was made while the unit was in run mode. */
final readonly class CheckWhileRunning implements Rule
{
    public function id(): string
    {
        return 'bracket.check-while-running';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            if ($case->missed($check, Step::STOPPED)) {
                yield $setting->finding(
                    \sprintf(
                        'The instrument was running during the check of %s; the reference may have gone into the exposure.',
                        $case->hour($check->at),
                    ),
                    [$check->id],
                );
            }
        }
    }
}
