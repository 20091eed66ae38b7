<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\Corrected;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\Exact;

/** The method wants more field blanks than the report has; without a method, at least one. */
final readonly class BlanksFew extends SampleRule
{
    public function id(): string
    {
        return 'lab.blanks-few';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $wanted = $results->sample->method?->decimal('blanks')->value ?? Exact::of(1);
        // A laboratory that subtracted them itself had them.
        $there = $analyte->corrections->blank === Corrected::Yes
            ? max($analyte->blanks->fieldBlanks, $results->sample->analysed->blanks)
            : $analyte->blanks->fieldBlanks;
        if (Exact::of($there)->compareTo($wanted) < 0) {
            yield $setting->finding(
                \sprintf(
                    '%s: report %s has %s; %s wanted.',
                    ucfirst($analyte->name()),
                    $analyte->reported->report,
                    $there === 0 ? 'no field blank' : $there.' field blank'.($there === 1 ? '' : 's'),
                    $wanted->compareTo(Exact::of(1)) === 0 ? 'one is' : $wanted->rounded(0).' are',
                ),
                [$case->run->id],
                channel: $analyte->analyte,
            );
        }
    }
}
