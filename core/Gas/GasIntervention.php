<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\InterventionKind;

/** What can be done to a monitor beside what can be done to any instrument. */
enum GasIntervention: string implements InterventionKind
{
    case Rezeroed = 're-zeroed';
    case SensorExchanged = 'sensor exchanged';
    case LampExchanged = 'lamp exchanged';
    case FilterExchanged = 'filter exchanged';

    public function id(): string
    {
        return $this->value;
    }

    public function breaks(string $parameter): bool
    {
        return $this !== self::Rezeroed || $parameter === 'zero';
    }
}
