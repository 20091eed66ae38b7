<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The unit was set to the factor of something else; it was taken out. */
final readonly class FactorForeign extends ChannelRule
{
    public function id(): string
    {
        return 'gas.factor-foreign';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->sensed->factor->foreign) {
            yield $setting->finding(
                \sprintf(
                    'The instrument was set to the factor %s%s; it was taken out.',
                    $results->sensed->record->setting->unitFactor->written ?? '',
                    $results->sensed->factor->applied === null
                        ? ''
                        : \sprintf(
                            ', that of %s is %s',
                            $results->sensed->record->known?->text('name') ?? 'the vapour',
                            $results->sensed->factor->applied->shown(),
                        ),
                ),
                [$case->run->id],
            )->naming($results->sensed->factor->applied);
        }
    }
}
