<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\Routine;

/** What is done to samplers again and again beside what is done to any instrument. */
enum FlowRoutine: string implements Routine
{
    case Check = 'flow check';

    public function id(): string
    {
        return $this->value;
    }
}
