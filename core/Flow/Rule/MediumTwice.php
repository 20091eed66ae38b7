<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Two runs name the same medium: the laboratory's mass belongs to one of them, or to both. */
final readonly class MediumTwice extends SampleRule
{
    public function id(): string
    {
        return 'flow.medium-twice';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $others = array_values(array_filter($results->sample->analysed->users, static fn (string $run): bool => $run !== $case->run->id));
        if ($others !== []) {
            yield $setting->finding(
                \sprintf('The medium %s is also that of %s.', $results->sample->analysed->medium ?? '', implode(', ', $others)),
                [$case->run->id, ...$others],
                advice: 'Correct the number of the medium on the run that has it wrong.',
            );
        }
    }
}
