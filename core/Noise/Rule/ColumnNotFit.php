<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\NoiseResults;

/** What the log holds does not quite fit what is made of it. */
final readonly class ColumnNotFit implements Rule
{
    public function id(): string
    {
        return 'noise.column';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->results instanceof NoiseResults ? $case->results->doubts : [] as $doubt) {
            yield $setting->finding(ucfirst($doubt).'.', [$case->run->id]);
        }
    }
}
