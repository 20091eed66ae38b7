<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\Recall;
use Footnote\Core\Judgement\CuredElsewhere;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The unit itself was found wrong for a time in which it measured: what it showed then shows nothing. No check of it makes that good. */
final readonly class UnitRecalled implements CuredElsewhere
{
    public function id(): string
    {
        return 'unit.recalled';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $unit = $case->timeline->instrument;
        $timing = $case->run->timing;
        foreach ($unit->upkeep->recalls->all as $recall) {
            if (($timing->stop === null || $recall->since < $timing->stop)
                && ($recall->until === null || $recall->until > $timing->start)) {
                yield $setting->finding(
                    \sprintf('%s is recalled for %s: %s', $unit->id, self::told($case, $recall), $recall->reason),
                    [$unit->id],
                );
            }
        }
    }

    private static function told(RunCase $case, Recall $recall): string
    {
        return $recall->until === null
            ? 'the time since '.$case->hour($recall->since)
            : \sprintf('the time from %s to %s', $case->hour($recall->since), $case->hour($recall->until));
    }
}
