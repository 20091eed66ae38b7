<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\AcousticCheck;

/** The adapter is not of the microphone's diameter, or the calibrator has none that is. */
final readonly class AdapterSize implements KnownBeforehand
{
    public function id(): string
    {
        return 'reference.adapter';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $microphone = $case->timeline->instrument->traits->text('microphone');
        foreach ($case->checks() as $check) {
            $content = $check->content;
            $adapters = $case->timeline->referenceOf($check)?->traits->texts('adapters') ?? [];
            if ($microphone === null || !$content instanceof AcousticCheck) {
                continue;
            }
            if ($content->settings->adapter !== null && $content->settings->adapter !== $microphone) {
                yield $setting->finding(
                    \sprintf(
                        'At the check of %s an adapter of %s was on a microphone of %s.',
                        $case->hour($check->at),
                        $content->settings->adapter,
                        $microphone,
                    ),
                    [$check->id],
                );
            } elseif ($content->settings->adapter === null && $adapters !== [] && !\in_array($microphone, $adapters, true)) {
                yield $setting->finding(
                    \sprintf('%s has no adapter for a microphone of %s.', $check->reference ?? '', $microphone),
                    [$check->id],
                );
            }
        }
    }
}
