<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The lamp cannot ionise the vapour that was there. */
final readonly class LampTooWeak extends ChannelRule
{
    public function id(): string
    {
        return 'gas.lamp';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->sensed->factor->weak) {
            yield $setting->finding(
                \sprintf(
                    '%s needs %s eV, the lamp gives %s eV: the channel does not see it.',
                    ucfirst($results->sensed->record->known?->text('name') ?? 'the vapour'),
                    $results->sensed->record->known?->decimal('ionisationEnergy')->written ?? '?',
                    $results->sensed->channel->sensor->lamp->written ?? '?',
                ),
                [$case->run->id],
            );
        }
    }
}
