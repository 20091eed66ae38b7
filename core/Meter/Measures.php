<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Noise\OctaveBand;

/** What a measurement of a sound level meter is for. */
enum Measures: string
{
    /** One sample of a task; several samples of several tasks make a working day. */
    case Task = 'task';
    /** One place or machine for itself. */
    case Spot = 'spot';
    /** A room against permissible levels, by octave bands. */
    case Room = 'room';

    /** The key of a band's result. */
    public function keyOf(OctaveBand $band): string
    {
        return ($this === self::Room ? 'room' : 'band').':'.$band->value;
    }

    public function words(): string
    {
        return match ($this) {
            self::Task => 'a sample of a task',
            self::Spot => 'a place or a machine',
            self::Room => 'a room, by octave bands',
        };
    }
}
