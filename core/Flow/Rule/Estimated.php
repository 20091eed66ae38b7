<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The mass lies between detection and quantitation: a number, but an estimate. */
final readonly class Estimated extends SampleRule
{
    public function id(): string
    {
        return 'lab.estimated';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($analyte->isEstimated()) {
            yield $setting->finding(
                \sprintf(
                    '%s: %s µg lies below the LOQ of %s.',
                    ucfirst($analyte->name()),
                    $analyte->mass->shown(),
                    $analyte->masses->quantitation?->words() ?? '',
                ),
                [$case->run->id],
                channel: $analyte->analyte,
            )->naming($analyte->mass);
        }
    }
}
