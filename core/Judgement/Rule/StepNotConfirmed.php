<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\StepState;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Procedure\Step;
use Footnote\Core\Procedure\StepKind;

/** A required step of a check was left out: skipped, or jumped over. One that did not apply, with its reason, is a note. */
final readonly class StepNotConfirmed implements KnownBeforehand
{
    /** Steps that have a rule of their own. */
    private const ELSEWHERE = [Step::STOPPED, Step::WARM_UP];

    public function id(): string
    {
        return 'procedure.step-not-confirmed';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            if ($check->walk->steps === []) {
                yield $setting->finding(\sprintf('No steps were recorded for the check of %s.', $case->hour($check->at)), [$check->id]);
                continue;
            }
            $missed = [];
            $unfit = [];
            foreach ($case->procedureOf($check)->steps as $step) {
                if ($step->required
                    && \in_array($step->kind, [StepKind::Confirm, StepKind::Entries], true)
                    && !\in_array($step->id, self::ELSEWHERE, true)
                    && $check->missed($step->id)) {
                    $missed[] = lcfirst($step->words->title);
                }
            }
            foreach ($check->walk->own as $step) {
                if ($step->required && $check->missed($step->id)) {
                    $missed[] = lcfirst($step->title);
                }
                if ($check->step($step->id) === StepState::NotApplicable && isset($check->walk->reasons[$step->id])) {
                    $unfit[] = \sprintf('%s (%s)', lcfirst($step->title), $check->walk->reasons[$step->id]);
                }
            }
            foreach ($case->procedureOf($check)->steps as $step) {
                if ($check->step($step->id) === StepState::NotApplicable && isset($check->walk->reasons[$step->id])) {
                    $unfit[] = \sprintf('%s (%s)', lcfirst($step->words->title), $check->walk->reasons[$step->id]);
                }
            }
            if ($unfit !== []) {
                yield $setting->finding(
                    \sprintf('Did not apply at the check of %s: %s.', $case->hour($check->at), implode(', ', $unfit)),
                    [$check->id],
                    severity: Severity::Note,
                );
            }
            if ($missed !== []) {
                yield $setting->finding(
                    \sprintf('Not confirmed at the check of %s: %s.', $case->hour($check->at), implode(', ', $missed)),
                    [$check->id],
                );
            }
        }
    }
}
