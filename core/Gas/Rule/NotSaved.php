<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The adjustment before the run may have been thrown away: both responses are in the drift interval. */
final readonly class NotSaved extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.not-saved';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $pre = $case->bracket->pre;
        if ($results->response->unsaved !== null && $pre !== null) {
            yield $setting->finding(
                \sprintf(
                    'Saving was not confirmed at the check of %s; if the adjustment was lost, the instrument read as it was found.',
                    $case->hour($pre->at),
                ),
                [$pre->id],
            );
        }
    }
}
