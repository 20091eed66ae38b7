<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Nothing on the front section and something on the back: everything went through, or the tube or its sections were turned round. */
final readonly class SectionsTurned extends SampleRule
{
    public function id(): string
    {
        return 'lab.sections';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($analyte->isBackwards()) {
            yield $setting->finding(
                \sprintf(
                    '%s: %s on the front section and %s on the back. It broke through, or the tube was put in '
                        .'backwards, or the sections were mixed up; until somebody says, it is taken as breakthrough.',
                    ucfirst($analyte->name()),
                    $analyte->masses->front->words(),
                    $analyte->masses->back?->words() ?? '',
                ),
                [$case->run->id],
                cure: new Cure(
                    'the sampler\'s word on how the tube was put in, or the laboratory\'s on its sections, in a later report',
                    Cure::ANY_TIME,
                    CuredAt::Laboratory,
                ),
                channel: $analyte->analyte,
            );
        }
    }
}
