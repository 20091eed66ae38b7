<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Nothing but a check at the start of the day stands under a measurement in a place that the meter did not leave. */
final readonly class StartOfDayOnly implements Rule
{
    public function id(): string
    {
        return 'bracket.start-of-day-only';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        if ($case->standsOnStartOfDay()) {
            yield $setting->finding(
                'Only a check at the start of the day stands under it; the meter stayed in its place.',
                [$case->run->id],
            );
        }
    }
}
