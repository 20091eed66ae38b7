<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Another gas was selected on the unit than flowed. */
final readonly class SelectedGas extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.selected-gas';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        foreach ([...$content->span->found, ...$content->span->left] as $row) {
            if ($row->selected !== null && mb_strtolower($row->selected) !== mb_strtolower($results->sensed->channel->spanGas())) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s %s was selected on %s while %s flowed.',
                        $case->hour($check->at),
                        $row->selected,
                        $results->sensed->channel->name,
                        $results->sensed->channel->spanGas(),
                    ),
                    [$check->id],
                );

                return;
            }
        }
    }
}
