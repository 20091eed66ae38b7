<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A later report takes the place of an earlier one. */
final readonly class Superseded extends SampleRule
{
    public function id(): string
    {
        return 'lab.superseded';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($analyte->reported->superseded !== []) {
            yield $setting->finding(
                \sprintf(
                    '%s: report %s takes the place of %s.',
                    ucfirst($analyte->name()),
                    $analyte->reported->report,
                    implode(', ', $analyte->reported->superseded),
                ),
                [$case->run->id],
                channel: $analyte->analyte,
            );
        }
    }
}
