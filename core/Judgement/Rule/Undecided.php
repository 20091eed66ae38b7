<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The values that a result could have lie on both sides of a limit, or too little stands under it for a statement. */
final readonly class Undecided implements AnswerRule
{
    public function id(): string
    {
        return 'judgement.undecided';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->answers as $result) {
            foreach ($result->outcomes as $outcome) {
                if ($outcome->robustness === Robustness::Undecided) {
                    yield $setting->finding(\sprintf('%s against %s, %s %s: %s.', $result->title, $outcome->limit->title, $outcome->limit->value->written, $outcome->limit->unit, implode('; ', $outcome->causes)), [$case->run->id], channel: $result->channel)->ofResults($result->key);
                }
            }
        }
    }
}
