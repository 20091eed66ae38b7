<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Log\SeriesLog;
use Footnote\Core\Log\ValueCounts;

/**
 * How often each level stands in a log. A constant offset shifts every level alike, so all sums with a constant offset
 * are exact sums over these counts.
 */
final readonly class LevelHistogram
{
    /** Thousandths by which a shifted level may miss a threshold through binary rounding and still count as on it. */
    private const SLACK = 1e-4;

    /** @param array<int, int> $counts by level in thousandths of a dB */
    public function __construct(public array $counts, public int $samples, public int $gaps)
    {
    }

    /** @param list<array{int, int}> $ranges the intervals that count, in order */
    public static function of(SeriesLog $log, int $column, array $ranges): self
    {
        $counts = ValueCounts::of($log, $column, $ranges);

        return new self($counts->counts, $counts->samples, $counts->gaps + $counts->overs);
    }

    /** N-3 over all samples, dB; −∞ where there is none. */
    public function equivalentLevel(): float
    {
        if ($this->samples === 0) {
            return -\INF;
        }
        $energy = 0.0;
        foreach ($this->counts as $level => $count) {
            $energy += $count * 10 ** ($level / 10000);
        }

        return 10 * log10($energy / $this->samples);
    }

    /** N-4 with the offset $o, dB, taken out of every sample first, then threshold and dose, %. */
    public function dose(DoseCriterion $criterion, float $step, float $o = 0.0): float
    {
        $threshold = self::shifted($criterion, $o);
        $sum = 0.0;
        $q = $criterion->q();
        $l = $criterion->l();
        foreach ($this->counts as $level => $count) {
            if ($level >= $threshold) {
                $sum += $count * 2 ** (($level / 1000 - $o - $l) / $q);
            }
        }

        return 100 * $sum * $step / 3600 / DoseCriterion::HOURS;
    }

    public function highest(): ?int
    {
        return $this->counts === [] ? null : max(array_keys($this->counts));
    }

    /** The least level as logged that reaches the threshold once the offset is taken out, thousandths. */
    public static function shifted(DoseCriterion $criterion, float $offset): float
    {
        return $criterion->threshold === null ? -\INF : 1000 * ($criterion->threshold->value->toFloat() + $offset) - self::SLACK;
    }
}
