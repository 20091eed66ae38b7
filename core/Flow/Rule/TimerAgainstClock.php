<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\CommonRemark;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Response\FlowLine;

/** The pump's own timer and the clock say different running times, and nobody wrote that it stopped. */
final readonly class TimerAgainstClock extends SampleRule
{
    public function id(): string
    {
        return 'flow.timer';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $timer = $case->run->timing->timerMinutes;
        if ($timer === null || $case->run->has(CommonRemark::StoppedByItself) || $results->drawn->stretches === []) {
            return;
        }
        $clock = Exact::zero();
        foreach ($results->drawn->stretches as $stretch) {
            $clock = $clock->plus(FlowLine::seconds($stretch->from, $stretch->to)->dividedBy(60));
        }
        $timed = Exact::of(number_format($timer, 6, '.', ''));
        $limit = $setting->limit('difference');
        if (!$limit->isKeptBy($timed->minus($clock)->absolute()->times(100)->dividedBy($clock))) {
            yield $setting->finding(
                \sprintf('The pump\'s timer says %s min, the clock %s min.', $timed->rounded(0), $clock->rounded(0)),
                [$case->run->id],
                $limit,
            );
        }
    }
}
