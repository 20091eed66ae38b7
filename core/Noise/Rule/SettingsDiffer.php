<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\SetUp;

/** The unit was not set as its template says, so it did not measure like the others. */
final readonly class SettingsDiffer implements Rule
{
    public function id(): string
    {
        return 'noise.set-up';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        [$template, $run] = SetUp::of($case->run);
        $differences = $template === null || $run === null ? [] : SetUp::differences($template, $run);
        if ($differences !== []) {
            yield $setting->finding(ucfirst(implode('; ', $differences)).'.', [$case->run->id]);
        }
    }
}
