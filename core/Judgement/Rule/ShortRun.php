<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** The run is shorter than it was planned to be. */
final readonly class ShortRun implements Rule
{
    public function id(): string
    {
        return 'run.short';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $planned = $case->run->timing->plannedMinutes;
        if ($planned === null || $planned <= 0 || $case->run->timing->stop === null) {
            return;
        }
        $limit = $setting->limit('share');
        $minutes = $case->run->runningSeconds() / 60;
        $share = Exact::of(number_format($minutes, 6, '.', ''))->times(100)->dividedBy(Exact::of(number_format($planned, 6, '.', '')));
        if (!$limit->isKeptBy($share)) {
            yield $setting->finding(
                \sprintf(
                    'It ran %s of %s planned minutes, %s %%.',
                    number_format($minutes, 0, '.', ''),
                    number_format($planned, 0, '.', ''),
                    $share->rounded(0),
                ),
                [$case->run->id],
                $limit,
            );
        }
    }
}
