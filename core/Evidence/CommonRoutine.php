<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What is done again and again to any instrument, and to any reference. */
enum CommonRoutine: string implements Routine
{
    case Laboratory = 'laboratory calibration';

    public function id(): string
    {
        return $this->value;
    }
}
