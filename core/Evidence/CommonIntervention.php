<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** What can be done to any instrument. */
enum CommonIntervention: string implements InterventionKind
{
    case Adjusted = 'adjusted';
    case Repaired = 'repaired';
    case FirmwareChanged = 'firmware changed';
    case FactoryReset = 'factory reset';
    case CalibrationSetChanged = 'calibration set changed';
    case LaboratoryCalibration = 'laboratory calibration';

    public function id(): string
    {
        return $this->value;
    }

    public function breaks(string $parameter): bool
    {
        return true;
    }
}
