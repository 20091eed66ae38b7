<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\AcousticCheck;

/** The level the meter was told to expect is not the level the calibrator gave. */
final readonly class EnteredLevel implements Rule
{
    public function id(): string
    {
        return 'reference.entered-value';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            $content = $check->content;
            if ($content instanceof AcousticCheck
                && $content->entered !== null
                && $content->entered->value->compareTo($content->nominal->value) !== 0) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s the meter expected %s dB and the calibrator gave %s dB.',
                        $case->hour($check->at),
                        $content->entered->written,
                        $content->nominal->written,
                    ),
                    [$check->id],
                );
            }
        }
    }
}
