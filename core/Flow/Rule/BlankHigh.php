<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
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
        $found = $analyte->found();
        if (!$blank instanceof Exact || $found === null) {
            return;
        }
        $share = $blank->absolute()->times(100)->dividedBy($found);
        $limit = $setting->limit('share');
        if (!$limit->isKeptBy($share)) {
            yield $setting->finding(
                \sprintf('%s: the mean of the blanks is %s %% of the sample.', ucfirst($analyte->name()), $share->rounded(1)),
                [$case->run->id],
                $limit,
                severity: $setting->limit('half')->isKeptBy($share) ? null : Severity::Qualified,
                channel: $analyte->analyte,
            );
        }
    }
}
