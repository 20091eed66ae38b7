<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Judgement\Breakdown;
use Footnote\Core\Judgement\Cell;

/** The tasks of a working day, and what each gives to the exposure and to its uncertainty. */
final readonly class TaskBudget implements Breakdown
{
    /** @param non-empty-list<TaskShare> $tasks in order of time */
    public function __construct(public array $tasks)
    {
    }

    public function title(): string
    {
        return 'Task by task';
    }

    public function columns(): array
    {
        return [
            'Task', 'Samples', 'L_m, dB(A)', 'T_m, min', 'Share of the exposure, %', 'u₁ₐ, dB', 'c₁ₐ',
            'u₁ᵦ, h', 'c₁ᵦ, dB/h', 'Part of u², dB²',
        ];
    }

    public function rows(): array
    {
        return array_map(static fn (TaskShare $task): array => [
            Cell::text($task->name),
            Cell::text(implode(', ', $task->runs)),
            Cell::noted($task->level),
            Cell::plain($task->minutes),
            Cell::plain($task->share),
            $task->uncertainty->sampling === null ? Cell::text('one sample') : Cell::plain($task->uncertainty->sampling),
            Cell::plain($task->uncertainty->sensitivity),
            Cell::plain($task->uncertainty->duration),
            Cell::plain($task->uncertainty->durationSensitivity),
            Cell::noted($task->uncertainty->part),
        ], $this->tasks);
    }
}
