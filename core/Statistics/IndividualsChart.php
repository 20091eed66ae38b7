<?php

declare(strict_types=1);

namespace Footnote\Core\Statistics;

/**
 * S-3: a control chart of single values, ± 3 s around their mean, s from the mean of the moving ranges of two over 1.128 (published:
 * NIST/SEMATECH e-Handbook 6.3.2.2).
 */
final readonly class IndividualsChart
{
    /** Fewer points make no chart. */
    public const LEAST = 8;
    /** Mean range of two normal values, in s (published: any table of control chart constants, d₂ for two). */
    private const D2 = 1.128;

    /** @param non-empty-list<float> $values in order of time */
    private function __construct(public array $values, public float $centre, public float $sigma)
    {
    }

    /**
     * @param list<float> $values in order of time
     *
     * @return self|null null: too few
     */
    public static function of(array $values): ?self
    {
        $n = \count($values);
        if ($n < self::LEAST) {
            return null;
        }
        $ranges = 0.0;
        for ($i = 1; $i < $n; ++$i) {
            $ranges += abs($values[$i] - $values[$i - 1]);
        }

        return new self($values, array_sum($values) / $n, $ranges / ($n - 1) / self::D2);
    }

    public function lower(): float
    {
        return $this->centre - 3 * $this->sigma;
    }

    public function upper(): float
    {
        return $this->centre + 3 * $this->sigma;
    }

    /**
     * Where a rule is met, each by the place of its last point.
     *
     * @param float $least what lies nearer to the centre is nothing that anybody could tell apart, whatever s is
     *
     * @return list<int>
     */
    public function against(RunsRule $rule, float $least = 0.0): array
    {
        $places = [];
        foreach (array_keys($this->values) as $place) {
            $row = \array_slice($this->values, max(0, $place - $rule->among() + 1), min($rule->among(), $place + 1));
            foreach ([1, -1] as $side) {
                $off = array_map(fn (float $value): float => $side * ($value - $this->centre), $row);
                $beyond = array_filter($off, fn (float $one): bool => $one > max(0.0, $rule->sigmas() * $this->sigma));
                $last = $off[\count($off) - 1];
                if (\count($row) === $rule->among()
                    && \in_array($last, $beyond, true)
                    && \count($beyond) >= $rule->wanted()
                    && array_sum($beyond) / \count($beyond) > $least) {
                    $places[] = $place;
                }
            }
        }

        return $places;
    }
}
