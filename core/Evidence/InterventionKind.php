<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** Something done to an instrument that changes how it responds. */
enum InterventionKind: string
{
    case Adjusted = 'adjusted';
    case Rezeroed = 're-zeroed';
    case Repaired = 'repaired';
    case MicrophoneExchanged = 'microphone exchanged';
    case SensorExchanged = 'sensor exchanged';
    case LampExchanged = 'lamp exchanged';
    case FilterExchanged = 'filter exchanged';
    case FirmwareChanged = 'firmware changed';
    case FactoryReset = 'factory reset';
    case CalibrationSetChanged = 'calibration set changed';
    case LaboratoryCalibration = 'laboratory calibration';

    /** Whether it breaks what was known of that parameter of a response ("offset", "zero", "gain", "flow"). */
    public function breaks(string $parameter): bool
    {
        return $this !== self::Rezeroed || $parameter === 'zero';
    }
}
