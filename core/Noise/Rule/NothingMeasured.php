<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The run brought home no number. */
final readonly class NothingMeasured implements Rule
{
    public function id(): string
    {
        return 'noise.nothing-measured';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        if ($case->run->timing->stop !== null && $case->results->worked()->results === []) {
            yield $setting->finding(
                'There is neither a log nor a total for this run.',
                [$case->run->id],
                cure: new Cure(
                    'read the log, or type the totals from the display',
                    'before the instrument\'s memory is cleared',
                    CuredAt::Run,
                ),
            );
        }
    }
}
