<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\Run;
use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Shift;

/** Another run of the same person went on side by side with this one: each stands alone, and they are never added. */
final readonly class ParallelRuns implements AnswerRule
{
    public function id(): string
    {
        return 'shift.parallel';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $beside = array_values(
            array_filter(
                $case->shift->runs ?? [],
                static fn (Run $run): bool => $run->id !== $case->run->id && Shift::areParallel($case->run, $run, $case->heldTo->policy),
            ),
        );
        if ($beside !== []) {
            $ids = array_map(static fn (Run $run): string => $run->id, $beside);
            yield $setting->finding(\sprintf('%s went on side by side with it on the same person.', implode(', ', $ids)), $ids);
        }
    }
}
