<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\TaskExposure;

/** A sample of a task is shorter than the method wants, and shorter than the task. */
final readonly class SampleShort implements Rule
{
    public function id(): string
    {
        return 'noise.sample-short';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = TaskExposure::record($case->run);
        $task = $meter?->written->decimal('taskMinutes')?->value->toFloat();
        $limit = $setting->limit('minutes');
        $minutes = $case->run->runningSeconds() / 60;
        if ($task !== null && $case->run->timing->stop !== null && !$limit->isKeptBy($minutes) && $minutes < $task - 1e-9) {
            yield $setting->finding(
                \sprintf(
                    'The sample took %s min; the task takes %s min.',
                    number_format($minutes, 1, '.', ''),
                    number_format($task, 1, '.', ''),
                ),
                [$case->run->id],
                $limit,
            );
        }
    }
}
