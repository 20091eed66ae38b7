<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** All that a record tells of a unit. */
final readonly class RecordedChronicle implements Chronicle
{
    /** @var list<Check> */
    private array $checks;

    /** @var list<Intervention> */
    private array $interventions;

    /** @var list<Run> */
    private array $runs;

    /** @var array<int|string, Check> */
    private array $checkOf;

    /** @var array<int|string, Run> */
    private array $runOf;

    /** @var list<\DateTimeImmutable|null> the latest stop of each run and all before it; null: one goes on */
    private array $over;

    /**
     * @param list<Check>        $checks
     * @param list<Intervention> $interventions
     * @param list<Run>          $runs
     * @param list<Check>|null   $written       the checks as they were first written; null where nothing was corrected
     */
    public function __construct(array $checks, array $interventions, array $runs, private ?array $written = null)
    {
        usort($checks, Check::inOrder(...));
        usort($interventions, Intervention::inOrder(...));
        usort($runs, Run::inOrder(...));
        $this->checks = $checks;
        $this->interventions = $interventions;
        $this->runs = $runs;
        $this->checkOf = array_column($checks, null, 'id');
        $this->runOf = array_column($runs, null, 'id');
        /** @var list<\DateTimeImmutable|null> $over */
        $over = [];
        foreach ($runs as $place => $run) {
            $before = $place === 0 ? $run->timing->stop : $over[$place - 1];
            $over[] = $before === null || $run->timing->stop === null ? null : max($before, $run->timing->stop);
        }
        $this->over = $over;
    }

    /**
     * @param list<Check>        $checks        all of a unit, those among them that others stand in the place of
     * @param list<Intervention> $interventions
     * @param list<Run>          $runs
     */
    public static function of(array $checks, array $interventions, array $runs): self
    {
        $written = array_values(array_filter($checks, static fn (Check $one): bool => $one->notes->inPlaceOf === null));
        $counting = array_values(array_filter($checks, static fn (Check $one): bool => $one->notes->replaced === null));

        return new self($counting, $interventions, $runs, $written === $counting ? null : $written);
    }

    public function checksUntil(\DateTimeImmutable $moment): iterable
    {
        for ($i = self::first($this->checks, static fn (Check $one): bool => $one->at > $moment) - 1; $i >= 0; --$i) {
            yield $this->checks[$i];
        }
    }

    public function checksFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        $count = \count($this->checks);
        for ($i = self::first($this->checks, static fn (Check $one): bool => $one->at >= $from); $i < $count; ++$i) {
            if ($until !== null && $this->checks[$i]->at > $until) {
                return;
            }
            yield $this->checks[$i];
        }
    }

    public function check(string $id): ?Check
    {
        return $this->checkOf[$id] ?? null;
    }

    public function interventionsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): iterable
    {
        $count = \count($this->interventions);
        for ($i = self::first($this->interventions, static fn (Intervention $one): bool => $one->at >= $from); $i < $count; ++$i) {
            if ($until !== null && $this->interventions[$i]->at > $until) {
                return;
            }
            yield $this->interventions[$i];
        }
    }

    public function runsFrom(\DateTimeImmutable $from, ?\DateTimeImmutable $until = null): array
    {
        $first = self::first($this->runs, static fn (Run $one): bool => $one->timing->start >= $from);
        $end = $until === null ? \count($this->runs) : self::first($this->runs, static fn (Run $one): bool => $one->timing->start > $until);

        return \array_slice($this->runs, $first, max(0, $end - $first));
    }

    public function runsAround(\DateTimeImmutable $from, \DateTimeImmutable $until): array
    {
        $first = self::first($this->over, static fn (?\DateTimeImmutable $over): bool => $over === null || $over > $from);
        $end = self::first($this->runs, static fn (Run $one): bool => $one->timing->start >= $until);

        return array_values(array_filter(
            \array_slice($this->runs, $first, max(0, $end - $first)),
            static fn (Run $one): bool => $one->timing->stop === null || $one->timing->stop > $from,
        ));
    }

    public function run(string $id): ?Run
    {
        return $this->runOf[$id] ?? null;
    }

    public function asWritten(): ?Chronicle
    {
        return $this->written === null ? null : new self($this->written, $this->interventions, $this->runs);
    }

    /**
     * The place of the first for which something holds that holds for all after it; their number where it holds for none.
     *
     * @template T
     *
     * @param list<T>           $sorted
     * @param \Closure(T): bool $holds
     */
    private static function first(array $sorted, \Closure $holds): int
    {
        $low = 0;
        $high = \count($sorted);
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($holds($sorted[$middle])) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }
}
