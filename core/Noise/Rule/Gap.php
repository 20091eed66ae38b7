<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Sound;

/** Part of the run has no level. Gaps are not zeros: what is missing is not in the sums. Two rules with two limits. */
final readonly class Gap implements Rule
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
        $gaps = Sound::levels($case->results)?->log->gaps;
        if ($gaps === null) {
            return;
        }
        $limit = $setting->limit('share');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'share');
        if (!$limit->isKeptBy($gaps->value) && ($graver === null || $graver->isKeptBy($gaps->value))) {
            yield $setting->finding(
                \sprintf('%s %% of the run has no level in the log.', $gaps->shownBeside($limit->value->value)),
                [$case->run->id],
                $limit,
            )->naming($gaps);
        }
    }
}
