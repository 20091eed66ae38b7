<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\Coverage;
use Footnote\Core\Judgement\Finding;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Real;

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
        $left = $day->left();
        $share = $day->share();
        if (self::written($left)->compareTo(Exact::of(-1)) < 0) {
            return $setting->finding(
                \sprintf(
                    '%s min were sampled, more than the working day of %s min that was stated.',
                    number_format(Real::toFloat($day->sampled()), 0, '.', ''),
                    $day->stated->shown(),
                ),
                [$case->run->id],
            )->naming($left, $day->stated);
        }

        return $limit->isKeptBy(self::written($share))
            ? null
            : $setting->finding(
                \sprintf(
                    '%s of %s min of the working day were not sampled, %s %%, and nobody said what they were like.',
                    $left->shown(),
                    $day->stated->shown(),
                    $share->shown(),
                ),
                [$case->run->id],
                $limit,
                advice: 'Say with the run what the rest of the day was, where it is known.',
            )->naming($left, $day->stated, $share);
    }

    /** To a millionth: what is summed of hours is no decimal any more. */
    private static function written(Figure $figure): Exact
    {
        return $figure->value instanceof Exact ? $figure->value : Exact::of(number_format($figure->value, 6, '.', ''));
    }
}
