<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** So little comes off the medium again that the correction for it is doubtful. */
final readonly class DesorptionLow extends SampleRule
{
    public function id(): string
    {
        return 'lab.desorption-low';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $limit = $setting->limit('efficiency');
        if ($analyte->corrections->efficiency !== null && !$limit->isKeptBy($analyte->corrections->efficiency->value)) {
            yield $setting->finding(
                \sprintf('%s: a desorption efficiency of %s.', ucfirst($analyte->name()), $analyte->corrections->efficiency->written),
                [$case->run->id],
                $limit,
                channel: $analyte->analyte,
            );
        }
    }
}
