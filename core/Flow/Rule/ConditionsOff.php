<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\FlowFormat;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The air in the field was far from that at the check, and the pump does not make up for it. */
final readonly class ConditionsOff extends SampleRule
{
    public function id(): string
    {
        return 'flow.air-changed';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $field = $results->sample->field->air;
        if ($case->timeline->instrument->traits->text('flowControl') !== FlowFormat::UNCOMPENSATED
            || !$field->isKnown()
            || !$content->standard->air->isKnown()) {
            return;
        }
        $warmer = $field->kelvin()->minus($content->standard->air->kelvin());
        $denser = $field->kilopascal()->minus($content->standard->air->kilopascal());
        $temperature = $setting->limit('temperature');
        $pressure = $setting->limit('pressure');
        if (!$temperature->isKeptBy($warmer->absolute()) || !$pressure->isKeptBy($denser->absolute())) {
            yield $setting->finding(
                \sprintf(
                    'The field was %s K and %s kPa away from the air at the check of %s, and the pump does not make up '
                        .'for it: both volumes stand.',
                    $warmer->rounded(1),
                    $denser->rounded(1),
                    $case->hour($check->at),
                ),
                [$check->id],
                $temperature->isKeptBy($warmer->absolute()) ? $pressure : $temperature,
            );
        }
    }
}
