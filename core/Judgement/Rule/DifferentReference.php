<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\SharedEquation;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;

/** The two ends lean on different references. Their uncertainties add to what drift may hide. */
final readonly class DifferentReference implements Rule
{
    public function id(): string
    {
        return 'bracket.different-reference';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $pre = $case->bracket->pre;
        $post = $case->bracket->post;
        if ($pre === null || $post === null || $pre->reference === $post->reference) {
            return;
        }
        $seen = \sprintf('Before the run %s was used, after it %s', $pre->reference ?? 'none', $post->reference ?? 'none');
        $one = $case->results->uncertaintyOf($pre);
        $other = $case->results->uncertaintyOf($post);
        if ($one === null || $other === null) {
            yield $setting->finding(
                $seen.'; the uncertainty of one of them is not known.',
                [$pre->id, $post->id],
                severity: Severity::Qualified,
            );

            return;
        }
        $combined = Figure::derived(
            'U',
            'uncertainty of both references together',
            hypot($one->toFloat(), $other->toFloat()),
            $one->unit,
            SharedEquation::TogetherUncertain,
            ['U_pre' => $one, 'U_post' => $other],
            2,
        );
        $drift = $case->results->driftLimit($case->heldTo->policy);
        $large = $drift !== null && $combined->toFloat() > $drift->toFloat() / 2;
        yield $setting->finding(
            \sprintf(
                '%s; together they are uncertain by %s %s%s.',
                $seen,
                $combined->shown(),
                $drift->unit ?? '',
                $large ? ', more than half of the drift limit' : '',
            ),
            [$pre->id, $post->id],
            severity: $large ? Severity::Qualified : null,
        )->naming($combined);
    }
}
