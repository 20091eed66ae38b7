<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A reference that a check leaned on was found wrong later. */
final readonly class ReferenceRecalled implements Rule
{
    public function id(): string
    {
        return 'reference.recalled';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            foreach ($case->timeline->referencesOf($check) as $reference) {
                $recall = $reference->recalledAt($check->at);
                if ($recall !== null) {
                    yield $setting->finding(\sprintf('%s is recalled for the time of the check of %s: %s', $reference->id, $case->hour($check->at), $recall->reason), [$check->id, $reference->id]);
                }
            }
        }
    }
}
