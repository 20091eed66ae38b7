<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Noise\Sound;

/** What the log holds does not quite fit what is made of it. */
final readonly class ColumnNotFit implements Rule
{
    public function id(): string
    {
        return 'noise.column';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach (Sound::levels($case->results)->log->doubts ?? [] as $doubt) {
            // What is not made of the column is not the worse for it.
            yield $setting->finding(
                ucfirst($doubt->words).'.',
                [$case->run->id],
                severity: $doubt->results === [] ? Severity::Note : null,
            )->ofResults(...$doubt->results);
        }
    }
}
