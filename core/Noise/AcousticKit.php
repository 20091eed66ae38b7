<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Evidence\CommonIntervention;
use Footnote\Core\Evidence\InterventionKind;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\CertificateTable;
use Footnote\Core\Record\ReferenceKind;

/** What every unit with a microphone, and what it is checked against, is registered with. */
final class AcousticKit
{
    /** Between which a level may be written down, dB. */
    public const LEAST = '-20';
    public const MOST = '200';
    public const ADDED = 'added';
    public const SENSITIVITY = 'sensitivity';
    public const FREQUENCY = 'frequency';
    public const CALIBRATOR = 'acoustic-calibrator';
    public const DIAMETERS = ['1/4 in' => '1/4 in', '1/2 in' => '1/2 in', '1 in' => '1 in'];

    public static function level(string $name, string $label, string $help = ''): Entry
    {
        return Entry::decimal($name, $label, self::LEAST, self::MOST, LevelUnit::Decibel, help: $help);
    }

    /** @return non-empty-list<Entry> what the display of every unit may hold when a run is over */
    public static function totals(): array
    {
        return [
            Entry::decimal('equivalentLevel', 'L_Aeq', self::LEAST, self::MOST, LevelUnit::DecibelA),
            Entry::decimal('peak', 'L_Cpeak', self::LEAST, self::MOST, LevelUnit::DecibelC),
            Entry::decimal('slowMaximum', 'L_ASmax', self::LEAST, self::MOST, LevelUnit::DecibelA),
        ];
    }

    public static function microphone(): Entry
    {
        return Entry::choice('microphone', 'Microphone diameter', self::DIAMETERS);
    }

    /** @return non-empty-list<Entry> what it can show, and how it is set */
    public static function electronics(): array
    {
        return [
            self::level('rangeLow', 'Range from'),
            self::level('rangeHigh', 'Range to'),
            self::level('peakRange', 'Peaks to', 'Empty: as its range'),
            Entry::decimal('resolution', 'Resolution', '0', '10', LevelUnit::Decibel),
            Entry::flag('selfAdjusting', 'It adjusts itself when it hears the calibrator'),
            Entry::choice(
                'factorIs',
                'Its stored factor is',
                [self::ADDED => 'added to the reading', self::SENSITIVITY => 'a sensitivity, dB re 1 V/Pa'],
            ),
            Entry::flag('notAdjustable', 'It cannot be adjusted'),
        ];
    }

    /** @return non-empty-list<InterventionKind> */
    public static function interventions(): array
    {
        return [
            CommonIntervention::Repaired,
            AcousticIntervention::MicrophoneExchanged,
            CommonIntervention::FirmwareChanged,
            CommonIntervention::FactoryReset,
            CommonIntervention::CalibrationSetChanged,
            CommonIntervention::LaboratoryCalibration,
        ];
    }

    public static function calibrator(): ReferenceKind
    {
        return new ReferenceKind(
            self::CALIBRATOR,
            'Acoustic calibrator',
            [Entry::several('adapters', 'Adapters', self::DIAMETERS)],
            constants: [],
            table: new CertificateTable(
                LevelUnit::Decibel,
                nominal: 'level',
                required: true,
                least: self::LEAST,
                most: self::MOST,
                beside: [Entry::decimal(self::FREQUENCY, 'Frequency', '1', '100000', CommonUnit::Hertz)],
            ),
            error: LevelUnit::Decibel,
        );
    }
}
