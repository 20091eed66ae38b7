<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\DriftLimit;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Between both ends of its bracket the channel changed its answer to the span gas. */
final readonly class SpanDrift extends ChannelRule
{
    public function id(): string
    {
        return 'gas.span-drift';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = DriftLimit::of($results->sensed->channel, $setting);
        foreach ($results->response->drifts as $drift) {
            if (!$limit->isKeptBy($drift->absolute->value, $drift->label)) {
                yield $setting->finding(
                    \sprintf(
                        '%s: %s %%, %s %s; allowed is %s.',
                        ucfirst($drift->span->meaning),
                        $drift->span->signed(),
                        $drift->absolute->signed(),
                        $drift->absolute->unit->value,
                        $limit->words(),
                    ),
                    [$drift->check],
                    $limit->named(),
                )->naming($drift->span, $drift->absolute);
            }
        }
    }
}
