<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Oxygen was checked in clean air alone: one point, at which a cell that answers to nothing may stand as well. */
final readonly class OxygenByAir extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.oxygen-by-air';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($content->byAir) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s %s was read in clean air only: one point, its zero held.',
                    $case->hour($check->at),
                    $results->sensed->channel->name,
                ),
                [$check->id],
            );
        }
    }
}
