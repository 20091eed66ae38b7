<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The policy reports an answer from which drift was taken out, and it differs from what the unit indicated. */
final readonly class AnswerCorrected implements AnswerRule
{
    public function id(): string
    {
        return 'judgement.corrected';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $by = [];
        foreach ($case->answers as $result) {
            $figure = $result->answer($result->answers->reported);
            // The ordinary sum is the indicated value for an offset, and the mean of both ends for a flow.
            $ordinary = $case->results->ordinary($result);
            if ($result->footing->inherited === null
                && $figure !== null
                && $ordinary !== null
                && $figure->toFloat() !== $ordinary->toFloat()) {
                $by['='.($result->channel ?? '')][] = [$result, $figure, $ordinary];
            }
        }
        foreach ($by as $of) {
            [$result, $figure, $ordinary] = $of[0];
            yield $setting->finding(
                \sprintf(
                    '%s reported %s: %s %s instead of %s %s.',
                    $result->title,
                    $result->answers->reported->words(),
                    $figure->shown(),
                    $figure->unit->value,
                    $ordinary->shown(),
                    $ordinary->unit->value,
                ),
                [$case->run->id],
                channel: $result->channel,
            )->naming($figure, $ordinary)
                ->ofResults(...array_map(static fn (array $one): string => $one[0]->key, $of));
        }
    }
}
