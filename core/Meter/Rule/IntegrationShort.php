<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\MeterRun;
use Footnote\Core\Noise\SetUp;
use Footnote\Core\Quantity\Digits;

/** Measured for less time than the set-up integrates over: short of its plan. A start delay is no time of it. */
final readonly class IntegrationShort implements Rule
{
    public function id(): string
    {
        return 'noise.integration-short';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        [$template] = SetUp::of($case->run);
        $wanted = $template?->decimal('integration')?->value->toFloat();
        if ($wanted === null || $case->run->timing->stop === null) {
            return;
        }
        $measured = max(0.0, $case->run->runningSeconds() - (MeterRun::record($case->run)?->delay() ?? 0.0));
        $limit = $setting->limit('short');
        if (!$limit->isKeptBy(round($wanted - $measured, 6))) {
            yield $setting->finding(
                \sprintf(
                    'It measured for %s s, the set-up integrates over %s s.',
                    Digits::trimmed($measured, 1),
                    Digits::trimmed($wanted, 1),
                ),
                [$case->run->id],
                $limit,
            );
        }
    }
}
