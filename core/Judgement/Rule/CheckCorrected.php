<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\AsWritten;
use Footnote\Core\Judgement\LooksBack;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A check that the result rests on, or would rest on, was corrected or moved: both are told. */
final readonly class CheckCorrected implements LooksBack
{
    public function id(): string
    {
        return 'bracket.corrected';
    }

    /** As the evidence stands now there is nothing to say; see lookBack(). */
    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    public function lookBack(Assessment $now, AsWritten $asWritten, RuleSetting $setting): iterable
    {
        foreach ($asWritten->corrected as $one) {
            yield $setting->finding(
                \sprintf('%s. As first written the run comes to %s.', $one->words(), $asWritten->first->verdict->value),
                [$one->check, $one->why->check],
            );
        }
    }
}
