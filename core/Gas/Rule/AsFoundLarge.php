<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\RecallTaken;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasResponse;
use Footnote\Core\Gas\WrongValue;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** As found the channel was far off: it wants service, not another adjustment. */
final readonly class AsFoundLarge extends ChannelRule
{
    public function id(): string
    {
        return 'gas.as-found-large';
    }

    protected function check(Check $check, ChannelCheck $content, ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $response = new GasResponse($results->sensed->channel);
        $label = $response->label($check, $content, $case->timeline->taking(RecallTaken::Nothing));
        $knot = $response->asFound($check, $case->timeline);
        $entered = GasResponse::expected($content);
        // A unit told to expect something else is not far off: it does as it was told.
        $told = ($entered !== null && $label !== null && $entered->compareTo($response->exact($label)) !== 0)
            || WrongValue::of($case->bracket, $case->timeline->taking(RecallTaken::Nothing), $response) !== null;
        if ($knot === null || $label === null || $told || Real::isZero($label->value)) {
            return;
        }
        $off = Real::times(
            Real::minus(
                Real::by(Real::plus($knot->zero->value, Real::times($knot->gain->value, $label->value)), $label->value),
                Exact::of(1),
            ),
            Exact::of(100),
        );
        $limit = $setting->limit('share');
        if (!$limit->isKeptBy($off instanceof Exact ? $off->absolute() : abs($off))) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s %s was found %s %% off its span.',
                    $case->hour($check->at),
                    $results->sensed->channel->name,
                    number_format(Real::toFloat($off), 1, '.', ''),
                ),
                [$check->id],
                $limit,
                advice: 'Have it looked at: clean the lamp, replace the cell.',
            );
        }
    }
}
