<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\NoiseResults;

/** A calibrator's tone lies inside the run; it is left out of the exposure. */
final readonly class ToneInside implements Rule
{
    public function id(): string
    {
        return 'noise.tone';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $span = $case->run->span();
        foreach ($case->results instanceof NoiseResults ? $case->results->survey->tones : [] as $tone) {
            if ($span !== null && $tone->span->overlaps($span)) {
                yield $setting->finding(\sprintf('A steady tone of %s dB from %s for %d s lies inside the run; it is left out.', number_format($tone->mean, 1, '.', ''), $case->hour($tone->span->from), (int) round($tone->span->seconds())), [$case->run->id]);
            }
        }
    }
}
