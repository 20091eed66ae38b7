<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** A calibration curve rests on fewer points than the policy wants. */
final readonly class FewPoints extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.points-few';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $curve = $results->sample->field->gauges === [] ? null : $results->drawn->curve;
        $limit = $setting->limit('count');
        if ($curve !== null && !$limit->isKeptBy(Exact::of(\count($curve->points)))) {
            yield $setting->finding(
                \sprintf('The calibration %s rests on %d points.', $curve->check, \count($curve->points)),
                [$curve->check],
                $limit,
            );
        }
    }
}
