<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The zero was set anew between both ends; it breaks z and keeps g. */
final readonly class PowerOnZero extends ChannelRule
{
    public function id(): string
    {
        return 'gas.power-on-zero';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($results->response->rezeroed as $event) {
            yield $setting->finding(\sprintf('It was zeroed at %s, without a reading before.', $case->hour($event->at)), [$event->id]);
        }
    }
}
