<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Part of the run has no reading. Gaps are not zeros: what is missing is not in the means. Two rules with two limits. */
final readonly class Gap extends ChannelRule
{
    public function __construct(private string $id, private ?string $graver)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $gaps = $results->flaws->gaps;
        if ($gaps === null) {
            return;
        }
        $limit = $setting->limit('share');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'share');
        if (!$limit->isKeptBy($gaps->value) && ($graver === null || $graver->isKeptBy($gaps->value))) {
            yield $setting->finding(
                \sprintf('%s %% of the run has no reading in the log.', $gaps->shownBeside($limit->value->value)),
                [$case->run->id],
                $limit,
            )->naming($gaps);
        }
    }
}
