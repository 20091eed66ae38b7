<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\AnswerRule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Meter\TaskBudget;
use Footnote\Core\Quantity\Exact;

/** A task that matters has too few samples, or samples that lie too far apart for their number. */
final readonly class SamplesFew implements AnswerRule
{
    public function id(): string
    {
        return 'noise.task-samples';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->answers as $result) {
            foreach ($result->beside->breakdown instanceof TaskBudget ? $result->beside->breakdown->tasks : [] as $task) {
                $count = \count($task->runs);
                if ($setting->limit('share')->isKeptBy($task->share->value)) {
                    continue;
                }
                if (!$setting->limit('samples')->isKeptBy(Exact::of($count))) {
                    yield $setting->finding(
                        \sprintf(
                            '%s has %d sample%s and makes %s %% of the exposure.',
                            $task->name,
                            $count,
                            $count === 1 ? '' : 's',
                            $task->share->shown(),
                        ),
                        $task->runs,
                        $setting->limit('samples'),
                    )->naming($task->share);
                } elseif (!$setting->limit('spread')->isKeptBy(round($task->spread->toFloat(), 6))
                    && !$setting->limit('samplesWhereWide')->isKeptBy(Exact::of($count))) {
                    yield $setting->finding(
                        \sprintf(
                            'The %d samples of %s lie %s dB apart.',
                            $count,
                            $task->name,
                            $task->spread->shownBeside($setting->limit('spread')->value->value),
                        ),
                        $task->runs,
                        $setting->limit('spread'),
                        advice: \sprintf('Take more samples of %s, or part it into tasks that are each alike.', $task->name),
                    )->naming($task->spread);
                }
            }
        }
    }
}
