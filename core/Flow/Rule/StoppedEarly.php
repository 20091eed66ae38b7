<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;
use Footnote\Core\Evidence\CommonRemark;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Quantity\CommonUnit;

/** The pump stopped by itself. Its own timer says how long it ran; without one nobody knows the volume. */
final readonly class StoppedEarly extends SampleRule
{
    public function id(): string
    {
        return 'flow.stopped';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if (!$case->run->has(CommonRemark::StoppedByItself)) {
            return;
        }
        if ($case->run->timing->timerMinutes === null) {
            yield $setting->finding(
                'The pump stopped by itself and its timer was not read: how much it drew is not known.',
                [$case->run->id],
                severity: Severity::Void,
                cure: new Cure('the running time that the pump still shows', Cure::ANY_TIME, CuredAt::Run),
            );
        } else {
            yield $setting->finding(
                \sprintf(
                    'The pump stopped by itself; by its own timer it ran %s min.',
                    number_format($case->run->timing->timerMinutes, 0, '.', ''),
                ),
                [$case->run->id],
            )->naming(
                Figure::read(
                    't',
                    'running time by its own timer',
                    $case->run->timing->timerMinutes,
                    CommonUnit::Minute,
                    new Origin('run', $case->run->id, 'read from the pump'),
                    0,
                ),
            );
        }
    }
}
