<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Quantity\Exact;

/** Part of the stated working day was not sampled, and nobody said what it was like; or more was sampled than the day is long. */
final readonly class DayUnsampled implements Rule
{
    public function id(): string
    {
        return 'run.unsampled';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        [$day, $stated] = [$case->results->day(), $case->run->shiftMinutes];
        if ($day === null || $day->keys === [] || $stated === null || $stated <= 0.0 || $case->run->stop === null) {
            return;
        }
        if ($case->run->rest !== null) {
            yield $setting->finding($case->run->rest->words(), [$case->run->id], severity: Severity::Note)->ofResults(...$day->keys);

            return;
        }
        $limit = $setting->limit('share');
        $whole = Exact::of(number_format($stated, 6, '.', ''));
        $left = $whole->minus(Exact::of(number_format($day->seconds / 60, 6, '.', '')));
        $share = $left->times(100)->dividedBy($whole);
        if ($left->compareTo(Exact::of(-1)) < 0) {
            yield $setting->finding(\sprintf('%s min were sampled, more than the working day of %s min that was stated.', number_format($day->seconds / 60, 0, '.', ''), number_format($stated, 0, '.', '')), [$case->run->id])->ofResults(...$day->keys);
        } elseif (!$limit->isKeptBy($share)) {
            yield $setting->finding(\sprintf('%s of %s min of the working day were not sampled, %s %%, and nobody said what they were like.', $left->rounded(0), number_format($stated, 0, '.', ''), $share->rounded(0)), [$case->run->id], $limit, advice: 'Say with the run what the rest of the day was, where it is known.')->ofResults(...$day->keys);
        }
    }
}
