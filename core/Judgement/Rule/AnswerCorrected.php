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
        $told = [];
        foreach ($case->answers as $result) {
            $channel = $result->channel ?? '';
            if (isset($told[$channel])) {
                continue;
            }
            $figure = $result->answer($result->reported);
            // The ordinary sum is the indicated value for an offset, and the mean of both ends for a flow.
            $ordinary = $case->results->ordinary($result);
            if ($figure !== null && $ordinary !== null && $figure->toFloat() !== $ordinary->toFloat()) {
                $told[$channel] = true;
                yield $setting->finding(\sprintf('%s reported %s: %s %s instead of %s %s.', $result->title, $result->reported->words(), $figure->shown(), $figure->unit->value, $ordinary->shown(), $ordinary->unit->value), [$case->run->id], channel: $result->channel);
            }
        }
    }
}
