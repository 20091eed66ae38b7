<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;

/** A family whose runs may bring home totals off the display where there is no log: each a number, and how it came. */
interface BringsTotals
{
    /** @return non-empty-list<Entry> of decimals */
    public function totals(): array;

    /** A total that there is for each criterion of the family; null where there is none. */
    public function totalOfEachCriterion(): ?Entry;
}
