<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The unit was set to mg/m³; what it showed was set right. */
final readonly class UnitMistaken extends ChannelRule
{
    public function id(): string
    {
        return 'gas.unit-setting';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->sensed->record->setting->milligram) {
            yield $setting->finding(
                \sprintf(
                    '%s was set to show mg/m³ of %s; it was turned into %s.',
                    $results->sensed->channel->name,
                    $results->sensed->record->known?->text('name') ?? 'isobutylene',
                    $results->sensed->channel->unit->value,
                ),
                [$case->run->id],
            );
        }
    }
}
