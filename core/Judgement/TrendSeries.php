<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Statistics\IndividualsChart;

/**
 * What of a unit's checks stands on its control chart.
 *
 * How far it was found off, since it was last adjusted, where that is told and there are enough of them: each is a reading of its own.
 * Else by how much it had moved since the check before left it, so that an adjustment is no jump, and a pump that is set for another
 * flow each day is held against itself; where it was not adjusted between, two such share a reading, which makes the limits wide.
 */
final readonly class TrendSeries
{
    /** So many of the last are looked at: what was ordinary years ago says little of today (own). */
    public const MOST = 100;

    /** @param list<array{HistoryPoint, float}> $points in order of time, each with what stands on the chart */
    private function __construct(public array $points, public bool $isFound, public Unit $unit)
    {
    }

    /** @param list<HistoryPoint> $since the checks since the unit was last changed */
    public static function of(array $since, UnitHistory $history): self
    {
        $found = [];
        $moved = [];
        foreach ($since as $point) {
            if ($point->found !== null) {
                $found[] = [$point, $point->found];
            }
            if ($point->adjustment !== null) {
                $found = [];
            }
            if ($point->drift !== null) {
                $moved[] = [$point, $point->drift];
            }
        }

        return $history->unit === $history->drift && \count($found) >= IndividualsChart::LEAST
            ? new self(\array_slice($found, -self::MOST), true, $history->unit)
            : new self(\array_slice($moved, -self::MOST), false, $history->drift);
    }

    public function chart(): ?IndividualsChart
    {
        return IndividualsChart::of(array_column($this->points, 1));
    }

    /** What a value of it says of the unit. */
    public function verb(): string
    {
        return $this->isFound ? 'was found off' : 'had moved';
    }
}
