<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterResults;

/** Permissible levels of maxima are held against averages, or the other way round. */
final readonly class StatisticOther implements Rule
{
    public function id(): string
    {
        return 'noise.band-statistic';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        $wanted = $meter?->room?->permissible->statistic();
        if ($meter !== null && $wanted !== null && $meter->spectrum->levels !== [] && $meter->record->statistic() !== $wanted) {
            yield $setting->finding(
                \sprintf(
                    'The permissible levels are for the %s of each band, and its %s was measured.',
                    $wanted->value,
                    $meter->record->statistic()->value,
                ),
                [$case->run->id],
            );
        }
    }
}
