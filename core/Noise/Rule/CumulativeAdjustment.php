<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\CuredElsewhere;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Sound;

/** Small adjustments have added up since the last laboratory certificate: have it serviced. */
final readonly class CumulativeAdjustment implements CuredElsewhere
{
    public function id(): string
    {
        return 'noise.cumulative-adjustment';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $sum = Sound::levels($case->results)?->response->adjustment;
        $limit = $setting->limit('sum');
        if ($sum !== null && !$limit->isKeptBy(abs($sum->toFloat()))) {
            yield $setting->finding(
                \sprintf('Adjustments since the last laboratory certificate add up to %s dB.', $sum->signed()),
                [$case->run->deployment->instrument],
                $limit,
            )->naming($sum);
        }
    }
}
