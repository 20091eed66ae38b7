<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\SetUp;

/** A template is named, and nobody wrote down what the unit was set to. */
final readonly class SettingsUnstated implements Rule
{
    public function id(): string
    {
        return 'noise.set-up-unstated';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        [$template, $run] = SetUp::of($case->run);
        $unstated = $template === null || $run === null || $case->run->timing->stop === null ? [] : SetUp::unstated($template, $run);
        if ($unstated !== []) {
            yield $setting->finding(
                \sprintf('It is not written down what the instrument was set to: %s.', implode(', ', $unstated)),
                [$case->run->id],
            );
        }
    }
}
