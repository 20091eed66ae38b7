<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Windows of fifteen minutes hold too few readings to be judged. */
final readonly class HollowWindows extends ChannelRule
{
    public function id(): string
    {
        return 'gas.hollow';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $hollow = $results->flaws->hollow;
        if ($hollow !== null) {
            yield $setting->finding(
                \sprintf(
                    '%s windows of 15 min hold less than 75 %% of their readings and are judged against no limit.',
                    $hollow->shown(),
                ),
                [$case->run->id],
            )->naming($hollow);
        }
    }
}
