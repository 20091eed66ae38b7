<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** All that is known is "less than"; it stays so through every sum. */
final readonly class BelowQuantitation extends SampleRule
{
    public function id(): string
    {
        return 'lab.below-quantitation';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $mass = $analyte->mass;
        if ($mass->isLessThan()) {
            yield $setting->finding(
                \sprintf('%s: %s µg on the medium.', ucfirst($analyte->name()), $mass->shown()),
                [$case->run->id],
                channel: $analyte->analyte,
            )->naming($mass);
        }
    }
}
