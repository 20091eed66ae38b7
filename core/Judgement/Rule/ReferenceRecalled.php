<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RecallSetRight;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Response\RecallError;

/** A reference that a check leaned on was found wrong later. */
final readonly class ReferenceRecalled implements KnownBeforehand
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
                if ($recall === null) {
                    continue;
                }
                $seen = \sprintf(
                    '%s is recalled for the time of the check of %s: %s',
                    $reference->id,
                    $case->hour($check->at),
                    $recall->reason,
                );
                yield $recall->error === null
                    ? $setting->finding($seen, [$check->id, $reference->id])
                    : $setting->finding(
                        \sprintf('%s; %s, is taken out.', rtrim($seen, '.'), RecallSetRight::words($reference, $recall)),
                        [$check->id, $reference->id],
                        severity: Severity::Corrected,
                    )->naming(RecallError::of($reference, $check->at));
            }
        }
    }
}
