<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\FlowMeasurement;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

/** At one of its set-points a fixed sampler shows another flow than the standard, in percent of the standard. */
final readonly class SamplerFlow extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.sampler-flow';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('deviation');
        foreach (FlowCheck::counting($content->readings->asFound) as $row) {
            if ($row->sampler->display === null) {
                continue;
            }
            $flow = FlowMeasurement::standard($check, $content, $case->timeline)->flow(
                $row,
                $content->standard->air,
                FlowMeasurement::origin($check, $row),
            );
            $off = Real::times(
                Real::by(Real::minus($row->sampler->display->in(CommonUnit::LitrePerMinute), $flow->value), $flow->value),
                Exact::of(100),
            );
            if (!$limit->isKeptBy($off instanceof Exact ? $off->absolute() : abs($off))) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s the sampler showed %s, the standard %s L/min: %s %% off.',
                        $case->hour($check->at),
                        $row->sampler->display->words(),
                        $flow->shown(),
                        number_format(Real::toFloat($off), 1, '.', ''),
                    ),
                    [$check->id],
                    $limit,
                )->naming($flow);
            }
        }
    }
}
