<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Two runs on one unit claim the same time. */
final readonly class OverlappingRun implements Rule
{
    public function id(): string
    {
        return 'run.overlap';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $span = $case->run->span();
        if ($span === null) {
            return;
        }
        foreach ($case->timeline->runsAround($span->from, $span->to) as $other) {
            if ($other->id !== $case->run->id && $other->span()?->overlaps($span) === true) {
                yield $setting->finding(\sprintf('Run %s on the same instrument claims the same time.', $other->id), [$other->id]);
            }
        }
    }
}
