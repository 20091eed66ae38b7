<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Routine;

/** What is done to monitors again and again beside what is done to any instrument. */
enum GasRoutine: string implements Routine
{
    case Bump = 'bump test';
    case Calibration = 'calibration';

    public function id(): string
    {
        return $this->value;
    }
}
