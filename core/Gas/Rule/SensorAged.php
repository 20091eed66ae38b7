<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\CuredElsewhere;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The sensor is older than it is expected to last. */
final readonly class SensorAged extends ChannelRule implements CuredElsewhere
{
    public function id(): string
    {
        return 'gas.sensor-aged';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $fitted = $results->sensed->channel->fittedBy($case->run->timing->start, $case->timeline);
        if ($fitted !== null && $results->sensed->channel->isAged($fitted, $case->run->timing->start) === true) {
            yield $setting->finding(
                \sprintf(
                    'The sensor of %s was fitted on %s and is expected to last %s months.',
                    $results->sensed->channel->name,
                    $fitted->format('j M Y'),
                    $results->sensed->channel->sensor->life->written ?? '',
                ),
                [$case->run->deployment->instrument],
            );
        }
    }
}
