<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Evidence\Usability;

/** When a gas check shows nothing of a channel: bump only, not on a plateau, the wrong bottle, CO after isobutylene. */
final readonly class GasUsability implements Usability
{
    public const BUMP = 'a bump test shows that a sensor answers, not that it is right';

    public function whyUnusable(Check $check, Timeline $timeline): array
    {
        $content = $check->content;
        $reasons = [];
        if ($check->setAside !== null) {
            $reasons[] = UnusableBecause::SET_ASIDE.': '.$check->setAside->reason;
        }
        if ($check->brokenOff) {
            $reasons[] = UnusableBecause::BROKEN_OFF;
        }
        $whole = $content instanceof ChannelCheck ? $content->whole : $content;
        if ($whole instanceof GasCheck && $whole->isBump()) {
            $reasons[] = self::BUMP;
        }
        if ($content instanceof ChannelCheck) {
            return [...$reasons, ...$this->ofChannel($check, $content, $timeline)];
        }
        if ($content instanceof GasCheck && !$content->hasAsFound()) {
            $reasons[] = UnusableBecause::AS_FOUND_MISSING;
        }

        return $content instanceof GasCheck ? $reasons : ['not a gas check'];
    }

    /** @return list<string> */
    private function ofChannel(Check $check, ChannelCheck $content, Timeline $timeline): array
    {
        $reasons = [];
        $response = new GasResponse($content->channel);
        $label = $response->label($check, $content, $timeline);
        if ($label === null) {
            $reasons[] = \sprintf('%s does not say how much %s it holds', $check->reference ?? 'no bottle that is named', $content->channel->spanGas());
        } elseif (\Footnote\Core\Quantity\Real::isZero($label->value)) {
            $reasons[] = 'its span gas is zero: a zero is no span';
        }
        if ($content->afterIsobutylene) {
            $reasons[] = \sprintf('%s was spanned after isobutylene had flowed over it', $content->channel->name);
        }
        if (!$content->hasAsFound()) {
            $reasons[] = UnusableBecause::AS_FOUND_MISSING;
        } elseif ($label !== null && Plateau::of($content->spanFound, $response->exact($label))->steady === false) {
            $reasons[] = 'the reading as found was not on a plateau';
        }
        if ($label !== null && $content->spanLeft !== [] && Plateau::of($content->spanLeft, $response->exact($label))->steady === false) {
            $reasons[] = 'the reading as left was not on a plateau';
        }

        return $reasons;
    }
}
