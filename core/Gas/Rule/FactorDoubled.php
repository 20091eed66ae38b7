<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Unit and hand both applied the factor; it was taken out once. */
final readonly class FactorDoubled extends ChannelRule
{
    public function id(): string
    {
        return 'gas.factor-doubled';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->sensed->factor->doubled) {
            yield $setting->finding(
                \sprintf(
                    'The factor %s was applied by the instrument and by hand; it is counted once.',
                    $results->sensed->factor->applied?->shown() ?? '',
                ),
                [$case->run->id],
            )->naming($results->sensed->factor->applied);
        }
    }
}
