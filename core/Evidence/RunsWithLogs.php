<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** The runs of a record that have a log, found by their file and by their unit. */
final readonly class RunsWithLogs
{
    /** @var array<int|string, non-empty-list<Run>> by the digest of their log, in order */
    private array $byLog;

    /** @var array<int|string, non-empty-list<Run>> by their unit, in order */
    private array $byUnit;

    /** @param list<Run> $runs of every unit, with a log or without */
    public function __construct(array $runs)
    {
        usort($runs, Run::inOrder(...));
        $byLog = [];
        $byUnit = [];
        foreach ($runs as $run) {
            if ($run->source->origin !== null) {
                $byLog[$run->source->origin->sha256][] = $run;
                $byUnit[$run->deployment->instrument][] = $run;
            }
        }
        $this->byLog = $byLog;
        $this->byUnit = $byUnit;
    }

    /** @return list<Run> by their start */
    public function withLog(string $sha256): array
    {
        return $this->byLog[$sha256] ?? [];
    }

    /** @return list<Run> by their start */
    public function ofUnit(string $instrument): array
    {
        return $this->byUnit[$instrument] ?? [];
    }
}
