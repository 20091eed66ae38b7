<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\FlowUsability;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A reading of nothing at a check: a shut train and a dead pump look alike. A person says which. */
final readonly class NoFlow extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.no-flow';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $check = $case->bracket->passedOverSince(FlowUsability::NO_FLOW);
        if ($check !== null) {
            yield $setting->finding(
                \sprintf('Nothing flowed at the check of %s. Was the train open, and the pump powered?', $case->hour($check->at)),
                [$check->id],
                cure: new Cure(
                    'set the check aside where the train was shut or the pump without power; void the run where it drew nothing',
                    Cure::ANY_TIME,
                    CuredAt::Check,
                ),
            );
        }
    }
}
