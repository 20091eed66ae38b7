<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterResults;
use Footnote\Core\Noise\FrequencyWeighting;

/** The bands of a room were measured with a weighting; it is taken off, since permissible levels are unweighted. */
final readonly class BandsWeighted implements Rule
{
    public function id(): string
    {
        return 'noise.bands-weighted';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        if ($meter !== null && $meter->spectrum->levels !== [] && $meter->record->weighting() !== FrequencyWeighting::Z) {
            yield $setting->finding(
                \sprintf('The bands were measured %s-weighted; the tabulated weights are taken off.', $meter->record->weighting()->value),
                [$case->run->id],
            );
        }
    }
}
