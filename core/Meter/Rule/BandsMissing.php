<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterResults;
use Footnote\Core\Noise\OctaveBand;

/** Bands that have a permissible level were not measured: of them nothing is known. */
final readonly class BandsMissing implements Rule
{
    public function id(): string
    {
        return 'noise.bands-missing';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        $missing = $meter?->room?->missing() ?? [];
        if ($case->run->timing->stop !== null && $missing !== []) {
            yield $setting->finding(
                \sprintf(
                    'Not measured: %s. The room is not judged there.',
                    implode(', ', array_map(static fn (OctaveBand $band): string => $band->words(), $missing)),
                ),
                [$case->run->id],
            );
        }
    }
}
