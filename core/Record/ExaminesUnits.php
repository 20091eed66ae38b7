<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;

/** A family whose entries of a unit alone cannot say all that must hold of it. */
interface ExaminesUnits
{
    /** @throws InvalidRecord naming the field */
    public function checkInstrument(Fields $unit, Traits $traits): void;
}
