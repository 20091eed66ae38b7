<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasResponse;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;

/** The unit expected another value than the label says. */
final readonly class ExpectedValue extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.expected-value';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $response = new GasResponse($results->sensed->channel);
        $entered = GasResponse::expected($content);
        $label = $response->label($check, $content, $case->timeline->taking(RecallTaken::Nothing));
        if ($entered === null || $label === null || $entered->compareTo($response->exact($label)) === 0) {
            return;
        }
        $set = $content->span->adjusted && $check->id === $case->bracket->pre?->id;
        yield $setting->finding(
            \sprintf(
                'At the check of %s %s expected %s %s, the label says %s%s.',
                $case->hour($check->at),
                $results->sensed->channel->name,
                $entered,
                $label->unit->value,
                $label->shown(),
                match (true) {
                    !$set => '; nothing was adjusted to it',
                    $content->span->left === [] => '; the readings were set right by proportion',
                    default => '; the response against the label sets the readings right',
                },
            ),
            [$check->id, ...($check->reference === null ? [] : [$check->reference])],
            severity: $set ? null : Severity::Note,
        )->naming($label);
    }
}
