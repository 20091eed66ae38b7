<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasUsability;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** After the check that the run began with a bump test came to rest far from the label: it should have been calibrated first. */
final readonly class BumpOff extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.bump';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $pre = $case->bracket->pre;
        if ($pre === null) {
            return;
        }
        foreach ($case->timeline->checksFrom($pre->at, $case->run->timing->start) as $check) {
            $content = $check->content;
            if ($check->at <= $pre->at
                || !$content instanceof ChannelCheck
                || !$content->whole->isBump()
                || $check->notes->setAside !== null
                || $check->walk->brokenOff) {
                continue;
            }
            $off = self::off($check, $content, $case, $setting);
            if ($off !== null) {
                yield $setting->finding(
                    \sprintf(
                        'At the bump test of %s %s stood at %s %% of the label.',
                        $case->hour($check->at),
                        $results->sensed->channel->name,
                        $off->rounded(0),
                    ),
                    [$check->id],
                    $setting->limit('low'),
                    advice: 'Calibrate it before the next use.',
                );

                return;
            }
        }
    }

    private static function off(Check $check, ChannelCheck $content, RunCase $case, RuleSetting $setting): ?Exact
    {
        $share = (new GasUsability($case->heldTo->policy))->bump($check, $content, $case->timeline)->ofLabel;

        return $share === null || ($setting->limit('low')->isKeptBy($share) && $setting->limit('high')->isKeptBy($share)) ? null : $share;
    }
}
