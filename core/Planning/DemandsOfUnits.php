<?php

declare(strict_types=1);

namespace Footnote\Core\Planning;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;

/** What may be demanded of the units of a family, which differ in what they can measure. */
interface DemandsOfUnits
{
    /** @return non-empty-list<Entry> what may be demanded; none of it must be */
    public function entries(): array;

    /** Whether a unit can measure what is demanded of it, by what is on record of it. */
    public function able(Instrument $unit, Traits $demanded): Able;
}
