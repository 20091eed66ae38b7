<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Quantity\Unit;

/** What a unit's checks over months say. */
final readonly class UnitHistory
{
    /**
     * @param list<HistoryPoint> $points in order of time
     * @param Unit               $unit   of values as found and as left
     * @param Unit               $drift  of the drift
     * @param string             $shows  what is drawn, such as "off by"
     * @param list<UnitTrend>    $trends what else the checks show
     */
    public function __construct(
        public array $points,
        public Unit $unit,
        public Unit $drift,
        public string $shows,
        public array $trends = [],
    ) {
    }

    /** The point with the largest drift either way. */
    public function furthest(): ?HistoryPoint
    {
        $furthest = null;
        foreach ($this->points as $point) {
            if ($point->drift !== null && ($furthest === null || abs($point->drift) > abs($furthest->drift ?? 0.0))) {
                $furthest = $point;
            }
        }

        return $furthest;
    }
}
