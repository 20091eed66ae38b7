<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Procedure\Step;

/** The warm-up of a unit was cut short. */
final readonly class WarmUpTooShort implements KnownBeforehand
{
    public function id(): string
    {
        return 'procedure.warm-up';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            if ($case->missed($check, Step::WARM_UP)) {
                yield $setting->finding(
                    \sprintf('The warm-up before the check of %s was cut short.', $case->hour($check->at)),
                    [$check->id],
                );
            }
        }
    }
}
