<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

/** What a result is made of, part by part, as a table that stands under it: the bands of a room, the tasks of a day. */
interface Breakdown
{
    public function title(): string;

    /** @return non-empty-list<string> */
    public function columns(): array;

    /** @return list<list<Cell>> a cell for each column */
    public function rows(): array;
}
