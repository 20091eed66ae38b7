<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Quantity\Exact;

/** Part of the stated working day was not sampled, and nobody said what it was like; or more was sampled than the day is long. */
final readonly class DayUnsampled implements AnswerRule
{
    public function id(): string
    {
        return 'run.unsampled';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $found = [];
        $keys = [];
        foreach ($case->answers as $result) {
            $finding = $result->footing->coverage === null ? null : self::finding($result->footing->coverage, $case, $setting);
            if ($finding !== null) {
                $found[$finding->seen] ??= $finding;
                $keys[$finding->seen][] = $result->key;
            }
        }
        foreach ($found as $seen => $finding) {
            yield $finding->ofResults(...$keys[$seen]);
        }
    }

    private static function finding(Coverage $day, RunCase $case, RuleSetting $setting): ?Finding
    {
        if ($day->rest !== null) {
            return $setting->finding($day->rest->words(), [$case->run->id], severity: Severity::Note);
        }
        $limit = $setting->limit('share');
        $whole = Exact::of(number_format($day->stated, 6, '.', ''));
        $left = $whole->minus(Exact::of(number_format($day->sampled / 60, 6, '.', '')));
        $share = $left->times(100)->dividedBy($whole);
        if ($left->compareTo(Exact::of(-1)) < 0) {
            return $setting->finding(
                \sprintf(
                    '%s min were sampled, more than the working day of %s min that was stated.',
                    number_format($day->sampled / 60, 0, '.', ''),
                    number_format($day->stated, 0, '.', ''),
                ),
                [$case->run->id],
            );
        }

        return $limit->isKeptBy($share)
            ? null
            : $setting->finding(
                \sprintf(
                    '%s of %s min of the working day were not sampled, %s %%, and nobody said what they were like.',
                    $left->rounded(0),
                    number_format($day->stated, 0, '.', ''),
                    $share->rounded(0),
                ),
                [$case->run->id],
                $limit,
                advice: 'Say with the run what the rest of the day was, where it is known.',
            );
    }
}
