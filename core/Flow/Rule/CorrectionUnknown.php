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

/** Nobody knows whether the laboratory has already taken out blanks, or divided by the desorption efficiency. */
final readonly class CorrectionUnknown extends SampleRule
{
    public function id(): string
    {
        return 'lab.correction-unknown';
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $unknown = array_keys(array_filter([
            'blanks' => $analyte->corrections->blank === Corrected::Unknown,
            'desorption' => $analyte->corrections->desorption === Corrected::Unknown && $results->sample->isDesorbed($analyte),
        ]));
        if ($unknown !== []) {
            yield $setting->finding(
                \sprintf(
                    'Whether report %s is already corrected for %s is not known.',
                    $analyte->reported->report,
                    implode(' and ', $unknown),
                ),
                [$case->run->id],
                cure: new Cure(
                    'the laboratory\'s word whether it corrected for '.implode(' and ', $unknown),
                    Cure::ANY_TIME,
                    CuredAt::Laboratory,
                ),
                channel: $analyte->analyte,
            );
        }
    }
}
