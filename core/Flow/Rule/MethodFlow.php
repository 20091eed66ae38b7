<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Real;

/** The flow lies outside of what the method allows. */
final readonly class MethodFlow extends SampleRule
{
    public function id(): string
    {
        return 'flow.method-flow';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $method = $results->sample->method;
        $low = $method?->measured('flowLow');
        $high = $method?->measured('flowHigh');
        foreach ($results->drawn->line->knots ?? [] as $knot) {
            if (($low !== null && Real::compare($knot->flow->value, $low->in(CommonUnit::LitrePerMinute)) < 0)
                || ($high !== null && Real::compare($knot->flow->value, $high->in(CommonUnit::LitrePerMinute)) > 0)) {
                yield $setting->finding(
                    \sprintf(
                        '%s L/min at %s is outside of what the method %s allows, %s to %s.',
                        $knot->flow->shown(),
                        $knot->check,
                        $method->text('code') ?? '',
                        $low?->words() ?? '0',
                        $high?->words() ?? 'any',
                    ),
                    [$knot->check],
                )->naming($knot->flow);

                return;
            }
        }
    }
}
