<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Nobody read temperature or pressure in the field, and the result is stated at named conditions. */
final readonly class ConditionsMissing extends SampleRule
{
    public function id(): string
    {
        return 'flow.conditions-missing';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($results->sample->field->air->isKnown() || $case->run->timing->stop === null || $results->conditions->air === null) {
            return;
        }
        yield $setting->finding($results->result('volume-ref') !== null
            ? 'Temperature and pressure were not read in the field; those of the check before the run are taken.'
            : \sprintf(
                'Temperature and pressure are not known, neither in the field nor at the check: nothing can be stated at %s.',
                $results->conditions->name,
            ), [$case->run->id]);
    }
}
