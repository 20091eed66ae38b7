<?php

declare(strict_types=1);

namespace Footnote\Core\StandIn;

/** What truly is before a sensor as time goes on, and what a sensor that takes its time makes of it. */
final readonly class Course
{
    /** @param list<Change> $changes in the order of time */
    public function __construct(private float $before, private array $changes = [])
    {
    }

    public function then(float $at, float $to): self
    {
        return new self($this->before, [...$this->changes, new Change($at, $to)]);
    }

    /**
     * The same as something else that hangs on it tells it.
     *
     * @param \Closure(float): float $told
     */
    public function map(\Closure $told): self
    {
        $changes = array_map(static fn (Change $one): Change => new Change($one->at, $told($one->to)), $this->changes);

        return new self($told($this->before), $changes);
    }

    /** What truly is at a moment, s after it was switched on. */
    public function at(float $when): float
    {
        $value = $this->before;
        foreach ($this->changes as $change) {
            $value = $change->at <= $when ? $change->to : $value;
        }

        return $value;
    }

    /**
     * What a sensor follows it to that has covered nine tenths of a step after so many seconds; at once where it is 0.
     *
     * y = v + (y₀ − v)·10^(−t/T₉₀), from each change to the next: exact, whatever moments are asked for.
     */
    public function followed(float $when, float $t90): float
    {
        if ($t90 <= 0) {
            return $this->at($when);
        }
        $shown = $target = $this->before;
        $since = null;
        foreach ($this->changes as $change) {
            if ($change->at > $when) {
                break;
            }
            $shown = $since === null ? $shown : self::towards($target, $shown, $change->at - $since, $t90);
            $target = $change->to;
            $since = $change->at;
        }

        return $since === null ? $shown : self::towards($target, $shown, $when - $since, $t90);
    }

    private static function towards(float $target, float $from, float $seconds, float $t90): float
    {
        return $target + ($from - $target) * 10 ** (-$seconds / $t90);
    }
}
