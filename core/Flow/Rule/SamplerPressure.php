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

/** What a fixed sampler takes for the pressure is off: its flow is worked out with it. */
final readonly class SamplerPressure extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.sampler-pressure';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($content->shows->pressure === null || $content->standard->air->pressure === null) {
            return;
        }
        $off = $content->shows->pressure->in(CommonUnit::MillimetreMercury)->minus(
            $content->standard->air->pressure->in(CommonUnit::MillimetreMercury),
        );
        $limit = $setting->limit('deviation');
        if (!$limit->isKeptBy($off->absolute())) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s the sampler showed %s, the barometer %s: %s mmHg apart.',
                    $case->hour($check->at),
                    $content->shows->pressure->words(),
                    $content->standard->air->pressure->words(),
                    $off->absolute()->rounded(1),
                ),
                [$check->id],
                $limit,
            );
        }
    }
}
