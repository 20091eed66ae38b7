<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Evidence\InterventionKind;

/** What can be done to a pump or a sampler beside what can be done to any instrument. */
enum FlowIntervention: string implements InterventionKind
{
    case FilterExchanged = 'filter exchanged';

    public function id(): string
    {
        return $this->value;
    }

    public function breaks(string $parameter): bool
    {
        return true;
    }
}
