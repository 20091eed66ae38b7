<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Evidence\StoredSeries;

/**
 * A log of values at an even step, read as a stream: memory does not grow with its length.
 *
 * Values come as whole thousandths, so that a value as written is exact. GAP stands where there is none, OVER where the
 * unit only said that it was beyond its range.
 */
interface SeriesLog extends StoredSeries
{
    public const GAP = -2147483648;
    public const OVER = -2147483647;

    /** @return list<LogColumn> */
    public function columns(): array;

    /** @return list<string> what of the file is not in it, such as a first interval that was cut short */
    public function remarks(): array;

    /**
     * @param int $column place in columns()
     *
     * @return iterable<non-empty-list<int>> the intervals in order, in pieces
     */
    public function chunks(int $column): iterable;
}
