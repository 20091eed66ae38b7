<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** What stands on the blanks is a large part of what stands on the sample. */
final readonly class BlankHigh extends SampleRule
{
    public function id(): string
    {
        return 'lab.blank-high';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $blank = $analyte->subtracted?->value;
        $front = $analyte->front->micrograms();
        if (!$blank instanceof Exact || $analyte->front->lessThan || $front->compareTo(Exact::zero()) <= 0) {
            return;
        }
        $share = $blank->absolute()->times(100)->dividedBy($front);
        $limit = $setting->limit('share');
        if (!$limit->isKeptBy($share)) {
            yield $setting->finding(\sprintf('%s: the mean of the blanks is %s %% of the sample.', ucfirst($analyte->name()), $share->rounded(1)), [$case->run->id], $limit, channel: $analyte->analyte);
        }
    }
}
