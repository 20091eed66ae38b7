<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The factor of the vapour under this lamp is not known. */
final readonly class FactorMissing extends ChannelRule
{
    public function id(): string
    {
        return 'gas.factor-missing';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->sensed->factor->missing) {
            yield $setting->finding(
                \sprintf(
                    'No factor of %s is known for a lamp of %s eV; the numbers stay in isobutylene units.',
                    $results->sensed->record->known?->text('name') ?? 'the vapour',
                    $results->sensed->channel->sensor->lamp->written ?? 'unknown',
                ),
                [$case->run->id],
                advice: 'Add the substance with its factor by the manual to the library.',
            );
        }
    }
}
