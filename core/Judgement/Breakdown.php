<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Derivation\Figure;

/** What a result is made of, part by part, as a table that stands under it: the bands of a room, the tasks of a day. */
interface Breakdown
{
    public function title(): string;

    /** @return non-empty-list<string> */
    public function columns(): array;

    /** @return list<list<string|Figure|null>> a cell for each column; null where there is nothing to say */
    public function rows(): array;
}
