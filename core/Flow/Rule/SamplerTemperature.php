<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;

/** What a fixed sampler takes for the temperature is off: its flow is worked out with it. */
final readonly class SamplerTemperature extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.sampler-temperature';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($content->shows->temperature === null || $content->standard->air->temperature === null) {
            return;
        }
        $off = $content->shows->temperature->in(CommonUnit::Kelvin)->minus($content->standard->air->kelvin());
        $limit = $setting->limit('deviation');
        if (!$limit->isKeptBy($off->absolute())) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s the sampler showed %s, the thermometer %s.',
                    $case->hour($check->at),
                    $content->shows->temperature->words(),
                    $content->standard->air->temperature->words(),
                ),
                [$check->id],
                $limit,
            );
        }
    }
}
