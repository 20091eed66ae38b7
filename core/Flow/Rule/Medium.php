<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The sampler type says whether its medium is in line at the check or left out; the check was made otherwise. */
final readonly class Medium extends SampleRule
{
    public function id(): string
    {
        return 'flow.medium';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $wanted = $results->sample->sampler?->text('medium');
        if ($wanted === null || $wanted === 'not applicable' || $content->medium === $wanted) {
            return;
        }
        yield $setting->finding(
            \sprintf(
                'At the check of %s the medium was %s; this sampler is checked with it %s.',
                $case->hour($check->at),
                $content->medium ?? 'not said',
                $wanted === 'empty' ? 'left out' : $wanted,
            ),
            [$check->id],
        );
    }
}
