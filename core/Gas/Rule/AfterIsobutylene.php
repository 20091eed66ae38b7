<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Carbon monoxide was spanned while the filter of its cell gave back isobutylene. */
final readonly class AfterIsobutylene extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.after-isobutylene';
    }

    protected function alsoUnusable(): bool
    {
        return true;
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($content->isobutylene->before) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s isobutylene flowed before the mix; %s spanned after it is wrong.',
                    $case->hour($check->at),
                    $results->sensed->channel->name,
                ),
                [$check->id],
            );
        }
    }
}
