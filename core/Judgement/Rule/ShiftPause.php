<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Shift;

/** A pause between two runs of one person may be one, or the time between two shifts: it is asked, and taken for one meanwhile. */
final readonly class ShiftPause implements AnswerRule
{
    public function id(): string
    {
        return Shift::RULE;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->shift->asked ?? [] as $asked) {
            yield $setting->finding($asked, [$case->run->id], $setting->limit('apart'), advice: 'Name the shift with its runs.');
        }
    }
}
