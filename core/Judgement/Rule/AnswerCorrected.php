<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Answer;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The policy reports an answer from which drift was taken out, and it differs from what the unit indicated. */
final readonly class AnswerCorrected implements Rule
{
    public function id(): string
    {
        return 'judgement.corrected';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->results->results() as $result) {
            $figure = $result->answer($result->reported);
            if ($result->reported !== Answer::Indicated && $figure !== null && $figure->toFloat() !== $result->indicated->toFloat()) {
                yield $setting->finding(\sprintf('Reported %s: %s %s instead of %s %s indicated.', $result->reported->words(), $figure->shown(), $figure->unit->value, $result->indicated->shown(), $result->indicated->unit->value), [$case->run->id]);

                return;
            }
        }
    }
}
