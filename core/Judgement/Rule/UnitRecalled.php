<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\Recall;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/**
 * The unit itself was found wrong later, for a time in which it measured, or in which a check was made that this run leans on: what it
 * showed then shows nothing, in a check as in a run.
 */
final readonly class UnitRecalled implements KnownBeforehand
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
                    \sprintf('%s is recalled for %s: %s', $unit->id, $this->told($case, $recall), $recall->reason),
                    [$unit->id],
                );
                continue;
            }
            foreach ($case->checks() as $check) {
                if ($recall->covers($check->at)) {
                    yield $setting->finding(
                        \sprintf('%s is recalled for the time of its check of %s: %s', $unit->id, $case->hour($check->at), $recall->reason),
                        [$unit->id, $check->id],
                    );
                }
            }
        }
    }

    private function told(RunCase $case, Recall $recall): string
    {
        return $recall->until === null
            ? 'the time since '.$case->hour($recall->since)
            : \sprintf('the time from %s to %s', $case->hour($recall->since), $case->hour($recall->until));
    }
}
