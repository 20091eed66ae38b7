<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A check that the run leans on was made while the unit itself was wrong: it shows nothing of the unit, whatever it reads. */
final readonly class CheckedWhileWrong implements KnownBeforehand
{
    public function id(): string
    {
        return 'unit.checked-while-wrong';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $unit = $case->timeline->instrument;
        foreach ($case->checks() as $check) {
            $recall = $unit->upkeep->recalls->at($check->at);
            if ($recall !== null) {
                yield $setting->finding(
                    \sprintf('%s is recalled for the time of its check of %s: %s', $unit->id, $case->hour($check->at), $recall->reason),
                    [$unit->id, $check->id],
                );
            }
        }
    }
}
