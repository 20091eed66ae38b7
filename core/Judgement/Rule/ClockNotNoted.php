<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Nobody noted how far the unit's clock was off. */
final readonly class ClockNotNoted implements Rule
{
    public function id(): string
    {
        return 'clock.not-noted';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        if ($case->run->timing->stop !== null && $case->run->timing->clockOffset === null) {
            yield $setting->finding('The offset of the instrument\'s clock was not noted; its times are taken as true.', [$case->run->id]);
        }
    }
}
