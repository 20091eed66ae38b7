<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Evidence\Timeline;
use Footnote\Core\Evidence\UnusableBecause;
use Footnote\Core\Gas\BumpOutcome;
use Footnote\Core\Gas\ChannelCheck;
use Footnote\Core\Gas\GasRoutine;
use Footnote\Core\Gas\GasUsability;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RoutineDone;
use Footnote\Core\Judgement\Rule\RoutineDue;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/**
 * A channel was to be shown to answer again. A passed bump test does, and so does a check at which it was held against its label,
 * which shows more. Monitors fixed in place are not bumped.
 */
final readonly class BumpDue extends RoutineDue
{
    public function id(): string
    {
        return 'gas.bump-due';
    }

    public function routine(): Routine
    {
        return GasRoutine::Bump;
    }

    protected function wanted(Instrument $unit, RuleSetting $setting): ?Limit
    {
        return $unit->traits->flag('fixed') ? null : $setting->limit('every');
    }

    protected function done(RunCase $case): ?RoutineDone
    {
        $usability = new GasUsability($case->heldTo->policy);
        $pre = $case->bracket->pre;
        foreach ($case->timeline->checksUntil($case->run->timing->start) as $check) {
            $content = $check->content;
            $isBump = $content instanceof ChannelCheck && $content->whole->isBump();
            if ($check->id === $pre?->id || ($isBump && self::answered($check, $content, $case->timeline, $usability))) {
                return new RoutineDone($check->at, $check->id);
            }
            if ($pre === null && !$isBump) {
                break;
            }
        }

        return null;
    }

    private static function answered(Check $check, ChannelCheck $content, Timeline $timeline, GasUsability $usability): bool
    {
        return UnusableBecause::usual($check) === []
            && $usability->bump($check, $content, $timeline)->outcome === BumpOutcome::Passed;
    }
}
