<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\HistoryPoint;
use Footnote\Core\Quantity\Unit;

/** Something else that a unit's checks show through time, beside how far it was off: the factor that it stores, say. */
final readonly class UnitTrend
{
    /**
     * @param list<HistoryPoint>      $points    found and left at each check, in order of time
     * @param float|null              $since     what it moved by since its last certificate, with its sign; null: cannot be told
     * @param \DateTimeImmutable|null $certified when that certificate was issued; null: since the first check
     */
    public function __construct(
        public string $title,
        public Unit $unit,
        public array $points,
        public ?float $since,
        public ?\DateTimeImmutable $certified,
    ) {
    }
}
