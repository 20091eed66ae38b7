<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\StoredSeries;

/**
 * A log of levels at an even step, read as a stream: memory does not grow with its length.
 *
 * Levels come as whole thousandths of a dB, so that a level as written is exact; GAP stands where there is none.
 */
interface LevelLog extends StoredSeries
{
    public const GAP = -2147483648;

    /** @return list<LogColumn> */
    public function columns(): array;

    /**
     * @param int $column place in columns()
     *
     * @return iterable<non-empty-list<int>> the intervals in order, in pieces
     */
    public function chunks(int $column): iterable;
}
