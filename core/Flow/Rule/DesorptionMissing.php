<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\Corrected;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The laboratory did not correct for desorption and gives no efficiency to do it with. */
final readonly class DesorptionMissing extends SampleRule
{
    public function id(): string
    {
        return 'lab.desorption-due';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $corrections = $analyte->corrections;
        if ($results->sample->isDesorbed($analyte) && $corrections->desorption === Corrected::No && $corrections->efficiency === null) {
            yield $setting->finding(
                \sprintf(
                    '%s: not corrected for desorption, and report %s gives no efficiency.',
                    ucfirst($analyte->name()),
                    $analyte->reported->report,
                ),
                [$case->run->id],
                cure: new Cure('the efficiency of desorption from the laboratory', Cure::ANY_TIME, CuredAt::Laboratory),
                channel: $analyte->analyte,
            );
        }
    }
}
