<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The sample is at the laboratory: there is a volume and no mass yet. */
final readonly class NoLaboratoryResult extends SampleRule
{
    public function id(): string
    {
        return 'lab.no-result';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        if ($case->run->timing->stop === null || $results->sample->analysed->analytes !== []) {
            return;
        }
        yield $results->sample->analysed->medium === null
            ? $setting->finding(
                'The run names no medium: no laboratory result can be told to be its own.',
                [$case->run->id],
                cure: new Cure('the number of the medium', 'when it is written down with the run', CuredAt::Run),
            )
            : $setting->finding(
                \sprintf('No laboratory has reported on the medium %s.', $results->sample->analysed->medium),
                [$case->run->id],
                cure: new Cure('the laboratory\'s report on '.$results->sample->analysed->medium, 'when it comes', CuredAt::Laboratory),
            );
    }
}
