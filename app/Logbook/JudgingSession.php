<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

use Footnote\Core\Judgement\Policy;
use Footnote\Core\Judgement\ShiftAssessor;

/** What was read and worked out while the journal stood at one entry: it holds for as long as it stands there. */
final class JudgingSession
{
    /** @var array<string, StoredUnit> by = and the unit */
    private array $units = [];

    /** @var array<string, ShiftAssessor> by = and the campaign */
    private array $assessors = [];

    private int $judged = 0;

    public function __construct(private readonly int $head, private readonly string $key, private readonly Policy $policy)
    {
    }

    public function serves(int $head, string $policy): bool
    {
        return $this->head === $head && $this->key === $policy;
    }

    /** How many runs it was asked for. */
    public function judged(): int
    {
        return $this->judged;
    }

    /** @param \Closure(): StoredUnit $read */
    public function unit(string $unit, \Closure $read): StoredUnit
    {
        return $this->units['='.$unit] ??= $read();
    }

    /** @param \Closure(Policy): ShiftAssessor $make */
    public function assessor(string $campaign, \Closure $make): ShiftAssessor
    {
        ++$this->judged;

        return $this->assessors['='.$campaign] ??= $make($this->policy);
    }

    /** @return list<StoredMarks> of every unit that was read */
    public function marks(): array
    {
        return array_map(static fn (StoredUnit $unit): StoredMarks => $unit->marks, array_values($this->units));
    }
}
