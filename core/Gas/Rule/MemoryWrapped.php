<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The beginning of the run is not in the log. */
final readonly class MemoryWrapped extends ChannelRule
{
    public function id(): string
    {
        return 'gas.memory-wrapped';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('minutes');
        if ($results->sensed->run->wrapped) {
            yield $setting->finding('The memory was full and began anew: the beginning of the run is lost.', [$case->run->id]);
        } elseif ($results->flaws->lostAtStart !== null && !$limit->isKeptBy($results->flaws->lostAtStart / 60)) {
            yield $setting->finding(
                \sprintf('The log begins %s min after the run.', number_format($results->flaws->lostAtStart / 60, 0, '.', '')),
                [$case->run->id],
                $limit,
            );
        }
    }
}
