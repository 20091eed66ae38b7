<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\InterventionKind;

/** What can be done to a unit with a microphone beside what can be done to any. */
enum AcousticIntervention: string implements InterventionKind
{
    case MicrophoneExchanged = 'microphone exchanged';

    public function id(): string
    {
        return $this->value;
    }

    public function breaks(string $parameter): bool
    {
        return true;
    }
}
