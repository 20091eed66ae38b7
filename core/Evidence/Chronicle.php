<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What happened to a unit, each kind in the order in which it happened. */
final readonly class Chronicle
{
    /** @var list<Check> */
    public array $checks;

    /** @var list<Intervention> */
    public array $interventions;

    /** @var list<Run> */
    public array $runs;

    /**
     * @param list<Check>        $checks
     * @param list<Intervention> $interventions
     * @param list<Run>          $runs
     */
    public function __construct(array $checks, array $interventions, array $runs)
    {
        usort($checks, static fn (Check $a, Check $b): int => [$a->at, $a->id] <=> [$b->at, $b->id]);
        usort($interventions, static fn (Intervention $a, Intervention $b): int => [$a->at, $a->id] <=> [$b->at, $b->id]);
        usort($runs, static fn (Run $a, Run $b): int => [$a->timing->start, $a->id] <=> [$b->timing->start, $b->id]);
        $this->checks = $checks;
        $this->interventions = $interventions;
        $this->runs = $runs;
    }

    /** @param list<Check> $checks in place of its own */
    public function having(array $checks): self
    {
        return new self($checks, $this->interventions, $this->runs);
    }
}
