<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Noise\Sound;
use Footnote\Core\Response\OffsetKnot;

/**
 * The unit was left off the level at the check that a run began with: it was not fit to measure, adjusted or not. Two rules
 * with two limits; the graver silences the lighter.
 */
final readonly class LeftOffLevel implements KnownBeforehand
{
    public function __construct(private string $id, private ?string $graver)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $left = Sound::levels($case->results)?->response->left;
        if ($left === null) {
            return;
        }
        $limit = $setting->limit('off');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'off');
        $far = $graver === null ? [] : array_map(static fn (OffsetKnot $knot): string => $knot->check, $left->beyond($graver));
        foreach ($left->beyond($limit) as $knot) {
            if (!\in_array($knot->check, $far, true)) {
                $alike = $this->graver !== null
                    && $case->timeline->instrument->traits->flag('notAdjustable')
                    && $case->bracket->post !== null
                    && $case->heldTo->policy->limit('noise.drift', 'drift')?->isKeptBySizes($case->results->worked()->drifts) !== false;
                yield $setting->finding(
                    \sprintf(
                        'It was left %s dB off at the check %s.%s',
                        $knot->offset->signed(),
                        $knot->check,
                        $alike ? ' It cannot be adjusted, and both ends are alike.' : '',
                    ),
                    [$knot->check],
                    $limit,
                    severity: $alike ? Severity::Corrected : null,
                )->naming($knot->offset);
            }
        }
    }
}
