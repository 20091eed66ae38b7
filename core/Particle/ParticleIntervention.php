<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Evidence\InterventionKind;

/** What can be done to a counter or a dust monitor beside what can be done to any instrument. */
enum ParticleIntervention: string implements InterventionKind
{
    case Rezeroed = 're-zeroed';
    case SensorExchanged = 'sensor exchanged';
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
