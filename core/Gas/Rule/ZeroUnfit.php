<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** What the channel was zeroed in is not clean for it. */
final readonly class ZeroUnfit extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.zero-source';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $source = $content->whole->zero->source;
        $why = $source === null || ($content->zero->found === [] && !$content->zero->adjusted)
            ? null
            : $source->whyUnfit($results->sensed->channel->kind);
        if ($source !== null && $why !== null) {
            yield $setting->finding(
                \sprintf(
                    '%s was zeroed in %s at the check of %s: %s.',
                    $results->sensed->channel->name,
                    $source->value,
                    $case->hour($check->at),
                    $why,
                ),
                [$check->id],
            );
        }
    }
}
