<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Where the bracket lacks an end there is a bump test, which shows that sensors answer and nothing of their number. */
final readonly class BumpOnly extends ChannelRule
{
    public function id(): string
    {
        return 'gas.bump-only';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->bracket->search->passedOver as $passed) {
            if ($passed->check->content instanceof ChannelCheck
                && $passed->check->content->whole->isBump()
                && ($case->bracket->pre === null || $case->bracket->post === null)) {
                yield $setting->finding(
                    \sprintf('At %s there was only a bump test.', $case->hour($passed->check->at)),
                    [$passed->check->id],
                    advice: 'Report no number on a bump test alone.',
                );

                return;
            }
        }
    }
}
