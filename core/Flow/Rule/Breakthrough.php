<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\AnalyteResult;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Part of the vapour went through the front section; part of it may have gone through both. Two rules with two limits. */
final readonly class Breakthrough extends SampleRule
{
    public function __construct(private string $id, private ?string $graver)
    {
    }

    public function id(): string
    {
        return $this->id;
    }

    protected function analyte(AnalyteResult $analyte, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $share = $analyte->breakthrough();
        if ($share === null) {
            return;
        }
        $limit = $setting->limit('share');
        $graver = $this->graver === null ? null : $case->heldTo->policy->limit($this->graver, 'share');
        if (!$limit->isKeptBy($share->value) && ($graver === null || $graver->isKeptBy($share->value))) {
            yield $setting->finding(
                \sprintf(
                    '%s: the back section holds %s %% of the front; some may be lost.',
                    ucfirst($analyte->name()),
                    $share->shownBeside($limit->value->value),
                ),
                [$case->run->id],
                $limit,
                channel: $analyte->analyte,
            )->naming($share);
        }
    }
}
