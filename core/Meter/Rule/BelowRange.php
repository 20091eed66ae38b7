<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterResults;
use Footnote\Core\Noise\OctaveBand;
use Footnote\Core\Quantity\Real;

/** A band lies below the range of the meter: the true level is at most about what it shows. */
final readonly class BelowRange implements Rule
{
    public function id(): string
    {
        return 'noise.below-range';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        $low = $case->timeline->instrument->traits->decimal('rangeLow');
        $below = [];
        foreach ($meter->spectrum->levels ?? [] as $band => $level) {
            if ($low !== null && Real::compare($level->value, $low->value) < 0) {
                $below[] = OctaveBand::from((string) $band)->words();
            }
        }
        if ($low !== null && $below !== []) {
            yield $setting->finding(
                \sprintf(
                    'Below the range of the meter, which begins at %s dB: %s. What it shows there is partly its own noise.',
                    $low->written,
                    implode(', ', $below),
                ),
                [$case->run->id],
            );
        }
    }
}
