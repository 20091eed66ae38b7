<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\AcousticCheck;

/** The level the meter was told to expect is not the level the calibrator gave. */
final readonly class EnteredLevel implements KnownBeforehand
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
                && $content->settings->entered !== null
                && $content->settings->entered->value->compareTo($content->tone->nominal->value) !== 0) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s the meter expected %s dB and the calibrator gave %s dB.',
                        $case->hour($check->at),
                        $content->settings->entered->written,
                        $content->tone->nominal->written,
                    ),
                    [$check->id],
                );
            }
        }
    }
}
