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
        $said = [];
        $keys = [];
        $figures = [];
        $channel = [];
        foreach ($case->answers as $result) {
            foreach ($result->outcomes as $outcome) {
                if ($outcome->robustness === Robustness::Undecided) {
                    $why = implode('; ', $outcome->causes);
                    $by = '='.$result->channel.'='.$why;
                    $figures[$by] = [...$figures[$by] ?? [], ...$outcome->statement->figures];
                    $said[$by][] = \sprintf(
                        '%s against %s, %s',
                        $result->title,
                        $outcome->limit->title,
                        trim($outcome->limit->threshold->value->written.' '.$outcome->limit->threshold->unit),
                    );
                    $keys[$by][] = $result->key;
                    $channel[$by] = [$result->channel, $why];
                }
            }
        }
        foreach ($said as $by => $results) {
            yield $setting->finding(
                \sprintf('%s: %s.', implode('; ', $results), $channel[$by][1]),
                [$case->run->id],
                channel: $channel[$by][0],
            )->naming(...$figures[$by])->ofResults(...array_unique($keys[$by]));
        }
    }
}
