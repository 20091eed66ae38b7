<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Procedure\StepKind;

/** A required step of a check was left out. */
final readonly class StepNotConfirmed implements Rule
{
    /** Steps that have a rule of their own. */
    private const ELSEWHERE = ['stopped', 'steady', 'warm-up'];

    public function id(): string
    {
        return 'procedure.step-not-confirmed';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            if ($check->steps === []) {
                yield $setting->finding(\sprintf('No steps were recorded for the check of %s.', $case->hour($check->at)), [$check->id]);
                continue;
            }
            $missed = [];
            foreach ($case->procedureOf($check)->steps as $step) {
                if ($step->required && \in_array($step->kind, [StepKind::Confirm, StepKind::Entries], true) && !\in_array($step->id, self::ELSEWHERE, true)
                    && $check->missed($step->id)) {
                    $missed[] = lcfirst($step->title);
                }
            }
            if ($missed !== []) {
                yield $setting->finding(\sprintf('Not confirmed at the check of %s: %s.', $case->hour($check->at), implode(', ', $missed)), [$check->id]);
            }
        }
    }
}
