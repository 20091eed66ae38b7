<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Flow\Standard\FlowStandards;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The water of a soap film was taken out at one end of the bracket and not at the other: the change of flow is not one. */
final readonly class HumidityOption extends SampleRule
{
    public function id(): string
    {
        return 'flow.humidity-option';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $options = [];
        foreach ($case->checks() as $check) {
            if ($check->content instanceof FlowCheck && $case->timeline->referenceOf($check)?->kind === FlowStandards::SOAP_FILM) {
                $options[$check->id] = $check->content->standard->air->humidity !== null;
            }
        }
        if (\count(array_unique($options)) > 1) {
            yield $setting->finding(
                'The humidity of the room was taken into account at some checks with the soap film and not at others.',
                array_map(strval(...), array_keys($options)),
            );
        }
    }
}
