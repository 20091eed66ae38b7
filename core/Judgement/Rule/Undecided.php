<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\Robustness;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The drift interval lies across a limit. */
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
                    $limit = $outcome->limit->value->value;
                    yield $setting->finding(\sprintf('%s: the drift interval %s to %s %s lies across %s, %s %s.', $result->title, $result->lowest()?->shownBeside($limit) ?? '', $result->highest()?->shownBeside($limit) ?? '', $result->reportedFigure()->unit->value, $outcome->limit->title, $outcome->limit->value->written, $outcome->limit->unit), [$case->run->id], channel: $result->channel);
                }
            }
        }
    }
}
