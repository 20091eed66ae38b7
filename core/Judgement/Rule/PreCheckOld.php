<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\CheckedByRoutine;
use Footnote\Core\Judgement\Expiry;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\RunsOut;
use Footnote\Core\Quantity\Span;

/** The pre-check is older than the policy allows. What is checked by the calendar is asked by the rule of its interval. */
final readonly class PreCheckOld implements RunsOut
{
    public function id(): string
    {
        return 'bracket.pre-check-old';
    }

    public function expiry(RunCase $case, RuleSetting $setting): ?Expiry
    {
        $pre = $case->bracket->pre;

        return $pre === null || self::isAskedElsewhere($case)
            ? null
            : new Expiry(Span::shift($pre->at, 3600 * $setting->limit('age')->toFloat()), 'Its last check counted');
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $pre = $case->bracket->pre;
        $limit = $setting->limit('age');
        if ($pre === null || self::isAskedElsewhere($case)) {
            return;
        }
        $age = Span::secondsBetween($pre->at, $case->run->timing->start);
        if (!$limit->isKeptBy($age / 3600)) {
            yield $setting->finding(
                \sprintf('The check before the run is %s old (%s).', Span::told($age), $case->hour($pre->at)),
                [$pre->id],
                $limit,
            );
        }
    }

    private static function isAskedElsewhere(RunCase $case): bool
    {
        $rule = $case->family instanceof CheckedByRoutine ? $case->family->checksDueBy($case->timeline->instrument) : null;

        return $rule !== null && $case->heldTo->policy->rule($rule) !== null;
    }
}
