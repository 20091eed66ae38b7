<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

/**
 * Finds stretches of a log in which the level stands still: every window of the given length whose standard deviation
 * keeps the limit, and, where levels are named, whose every sample lies near one of them. Overlapping windows are one
 * stretch. All in whole thousandths of a dB, so that the limits are compared exactly.
 */
final class SteadyStretches
{
    /** @var list<array{int, int}> first sample and the one after the last */
    private array $found = [];

    /** Below it no level is near. */
    private readonly int $lowest;

    /** @var array<int, int> the window as a ring */
    private array $ring = [];

    private int $index = 0;

    private int $filled = 0;

    private int $sum = 0;

    private int $squares = 0;

    private int $centre = 0;

    /**
     * @param int            $window samples of a window, at least 3
     * @param int            $spread largest standard deviation, thousandths
     * @param bool           $below  true: the deviation is below $spread; false: not above it
     * @param non-empty-list<int>|null $levels levels it must lie near; null for any
     * @param int            $near   how near, thousandths
     */
    public function __construct(
        private readonly int $window,
        private readonly int $spread,
        private readonly bool $below,
        private readonly ?array $levels = null,
        private readonly int $near = 0,
    ) {
        $this->lowest = min($levels ?? [0]) - $near;
    }

    /** @param non-empty-list<int> $chunk the next samples */
    public function feed(array $chunk): void
    {
        if ($this->levels !== null && max($chunk) < $this->lowest) {
            // Nothing of it is near any of the levels.
            $this->filled = 0;
            $this->index += \count($chunk);

            return;
        }
        $n = $this->window;
        $limit = $this->spread * $this->spread * $this->window * ($this->window - 1);
        if ($this->below) {
            --$limit;
        }
        $ring = $this->ring;
        $index = $this->index;
        $filled = $this->filled;
        $sum = $this->sum;
        $squares = $this->squares;
        $centre = $this->centre;
        foreach ($chunk as $value) {
            if ($value === SeriesLog::GAP || ($this->levels !== null && !$this->isNear($value))) {
                $filled = 0;
                ++$index;
                continue;
            }
            if ($filled === 0) {
                $sum = 0;
                $squares = 0;
                $centre = $value;
            }
            // Sums are taken about the first sample, which keeps them small.
            $x = $value - $centre;
            $slot = $index % $n;
            if ($filled === $n) {
                $old = $ring[$slot];
                $sum -= $old;
                $squares -= $old * $old;
            } else {
                ++$filled;
            }
            $ring[$slot] = $x;
            $sum += $x;
            $squares += $x * $x;
            ++$index;
            if ($filled === $n && $n * $squares - $sum * $sum <= $limit) {
                $this->mark($index - $n, $index);
            }
        }
        [$this->ring, $this->index, $this->filled, $this->sum, $this->squares, $this->centre] = [
            $ring, $index, $filled, $sum, $squares, $centre,
        ];
    }

    /** @return list<array{int, int}> first sample and the one after the last, in order */
    public function stretches(): array
    {
        return $this->found;
    }

    private function isNear(int $value): bool
    {
        foreach ($this->levels ?? [] as $level) {
            if (abs($value - $level) <= $this->near) {
                return true;
            }
        }

        return false;
    }

    private function mark(int $from, int $to): void
    {
        $last = \count($this->found) - 1;
        if ($last >= 0 && $this->found[$last][1] >= $from) {
            $this->found[$last][1] = $to;
        } else {
            $this->found[] = [$from, $to];
        }
    }
}
