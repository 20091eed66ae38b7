<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterResults;

/** The windscreen and the setting that takes it into account do not go together. */
final readonly class CompensationOff implements Rule
{
    public function id(): string
    {
        return 'noise.windscreen';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        $screen = $meter?->record->written->text('windscreen');
        $set = $meter?->record->written->text('setCompensation');
        $belongs = $case->timeline->instrument->traits->text('compensation');
        if ($screen === null || $set === null || $belongs === null) {
            return;
        }
        $off = \in_array(mb_strtolower(trim($set)), ['off', 'none', 'no'], true);
        if ($screen === 'on' && mb_strtolower(trim($set)) !== mb_strtolower(trim($belongs))) {
            yield $setting->finding(
                \sprintf('The windscreen was on; its compensation is "%s" and was set to "%s".', $belongs, $set),
                [$case->run->id],
            );
        } elseif ($screen === 'off' && !$off) {
            yield $setting->finding(\sprintf('The windscreen was off and its compensation was set to "%s".', $set), [$case->run->id]);
        }
    }
}
