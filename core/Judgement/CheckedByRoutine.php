<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement;

use Footnote\Core\Evidence\Instrument;

/** A family some of whose units are checked by the calendar and not before each run: what stands fixed, and measures day after day. */
interface CheckedByRoutine
{
    /** The rule by which the last check of such a unit grows old; null: it is checked before each run. */
    public function checksDueBy(Instrument $unit): ?string;
}
