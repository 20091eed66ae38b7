<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\FlowMeasurement;
use Footnote\Core\Flow\FlowProcedures;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** Fewer readings than the policy wants; a look during a run may be a single one. */
final readonly class ReplicatesFew extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.replicates-few';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $own = $case->procedureOf($check)->id;
        if (\in_array(
            $own,
            [FlowProcedures::LOOK, FlowProcedures::VERIFICATION, FlowProcedures::CALIBRATION, FlowProcedures::MULTI_POINT],
            true,
        )) {
            return;
        }
        $limit = $setting->limit('count');
        foreach (self::used($check, $content, $case) as $when => $rows) {
            $measured = FlowMeasurement::of($rows, $when, $check, $content, $case->timeline);
            if ($measured !== null && !$limit->isKeptBy(Exact::of(\count($measured->flows)))) {
                yield $setting->finding(
                    \sprintf(
                        '%s %s at the check of %s.',
                        \count($measured->flows) === 1 ? 'One reading' : \count($measured->flows).' readings',
                        $when,
                        $case->hour($check->at),
                    ),
                    [$check->id],
                    $limit,
                );
            }
        }
    }
}
