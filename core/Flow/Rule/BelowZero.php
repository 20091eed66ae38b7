<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A mass lies further below zero than the laboratory can tell: a filter torn, exchanged or misweighed. */
final readonly class BelowZero extends SampleRule
{
    public function id(): string
    {
        return 'lab.below-zero';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($analyte->isBelowZero) {
            $why = $analyte->masses->quantitation === null
                ? 'and report '.$analyte->reported->report.' states no limit of quantitation'
                : 'further than the quantitation of '.$analyte->masses->quantitation->words();
            yield $setting->finding(
                \sprintf(
                    '%s: %s µg lies below zero, %s. A filter may be torn, exchanged or misweighed.',
                    ucfirst($analyte->name()),
                    $analyte->mass->shown(),
                    $why,
                ),
                [$case->run->id],
                cure: new Cure(
                    $analyte->masses->quantitation === null
                        ? 'the laboratory\'s limit of quantitation'
                        : 'the laboratory\'s word on the weighing, in a later report',
                    Cure::ANY_TIME,
                    CuredAt::Laboratory,
                ),
                channel: $analyte->analyte,
            )->naming($analyte->mass);
        }
    }
}
