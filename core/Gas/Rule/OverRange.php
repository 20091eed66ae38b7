<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Real;

/** The channel was beyond its range: what was there is more than it shows. */
final readonly class OverRange extends ChannelRule
{
    public function id(): string
    {
        return 'gas.over-range';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $range = $results->sensed->channel->display->range;
        $peak = null;
        foreach ($results->worked()->results as $result) {
            $peak = str_starts_with($result->key, 'peak') && $result->answers->indicated?->unit === $results->sensed->channel->unit
                ? $result->answers->indicated
                : $peak;
        }
        $raw = $peak === null || $results->sensed->factor->applied === null
            ? $peak?->value
            : Real::by($peak->value, $results->sensed->factor->applied->value);
        $reached = $range !== null && $raw !== null && Real::compare($raw, $range->value) >= 0;
        if ($results->flaws->overs > 0 || $reached) {
            yield $setting->finding(
                $results->flaws->overs > 0
                    ? \sprintf(
                        '%d intervals of %s are marked as beyond its range: %s.',
                        $results->flaws->overs,
                        $results->sensed->channel->name,
                        $range === null
                            ? 'how far is not known, since its range is not registered'
                            : 'they count as '.$range->written.', and its means are at least what they say',
                    )
                    : \sprintf(
                        '%s reached the end of its range, %s %s.',
                        $results->sensed->channel->name,
                        $range->written,
                        $results->sensed->channel->unit->value,
                    ),
                [$case->run->id],
            );
        }
    }
}
