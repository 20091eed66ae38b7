<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The unit was adjusted, repaired or exchanged before anybody noted how it read as found. */
final readonly class BrokenBracket implements Rule
{
    public function id(): string
    {
        return 'bracket.broken';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $break = $case->bracket->search->brokenAfter;
        if ($break !== null && !$break->failed) {
            yield $setting->finding(
                \sprintf('Before the instrument was read as found it was changed: %s (%s).', $break->what, $case->hour($break->at)),
                [$break->evidence],
            );
        }
    }
}
