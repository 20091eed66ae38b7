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
        $share = Sound::levels($case->results)?->log->gapShare;
        if ($share === null) {
            return;
        }
        $limit = $setting->limit('share');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'share');
        if (!$limit->isKeptBy(100 * $share) && ($graver === null || $graver->isKeptBy(100 * $share))) {
            yield $setting->finding(
                \sprintf('%s %% of the run has no level in the log.', number_format(100 * $share, 1, '.', '')),
                [$case->run->id],
                $limit,
            );
        }
    }
}
