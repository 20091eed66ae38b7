<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The points of the calibration do not lie on a line. */
final readonly class Correlation extends SampleRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'flow.correlation';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $curve = $results->sample->field->gauges === [] ? null : $results->drawn->curve;
        $limit = $setting->limit('correlation');
        if ($curve !== null && !$limit->isKeptBy($curve->correlation->toFloat())) {
            yield $setting->finding(
                \sprintf(
                    'The calibration %s has r = %s: it is not valid.',
                    $curve->check,
                    $curve->correlation->shownBeside($limit->value->value),
                ),
                [$curve->check],
                $limit,
            );
        }
    }
}
