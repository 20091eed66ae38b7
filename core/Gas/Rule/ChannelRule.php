<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** What the rules of monitors share: they look at one channel of a run, or at its part of each check. */
abstract readonly class ChannelRule implements Rule
{
    final public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $results = $case->results;
        if (!$results instanceof ChannelResults) {
            return;
        }
        yield from $this->channel($results, $case, $setting);
        foreach ($case->checks() as $check) {
            if ($check->content instanceof ChannelCheck) {
                yield from $this->check($check, $check->content, $results, $case, $setting);
            }
        }
    }

    /** @return iterable<Finding> */
    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    /** @return iterable<Finding> */
    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }
}
