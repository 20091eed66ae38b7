<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Derivation\Bound;
use Footnote\Core\Derivation\Figure;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Unit;

/** What readings in a column of a log come to, in the unit that they were shown in. */
final readonly class ColumnReadings
{
    /** @param \Closure(Exact|float): int $digits decimals that a value is printed with */
    public function __construct(private LoggedColumn $column, private Unit $unit, private \Closure $digits)
    {
    }

    /**
     * @param bool                  $isOver whether one of them was beyond the range
     * @param array<string, Figure> $window that it is looked for in
     */
    public function told(
        string $symbol,
        string $meaning,
        Exact|float $value,
        LogEquation $equation,
        bool $isOver,
        array $window = [],
    ): Figure {
        return Figure::derived(
            $symbol,
            $meaning.', as logged',
            $value,
            $this->unit,
            $equation,
            ['r_i' => $this->column->lines, ...$window],
            ($this->digits)($value),
        )->bounded($isOver ? Bound::AtLeast : null);
    }
}
