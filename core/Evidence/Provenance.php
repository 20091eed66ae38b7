<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** How a reading came into the record; the grade is shown beside it. */
enum Provenance: string
{
    case Instrument = 'from the instrument';
    case Typed = 'typed';
    case ReadBack = 'read back';
    case Photographed = 'photographed';
    case File = 'from the unit\'s file';
    case Transcribed = 'transcribed';
    case Estimated = 'estimated';
    /** Of records of before: what a person put in the place of a reading that nobody took. */
    case StandIn = 'stand-in';
    /** Printed by a stand-in: practice, and never signed. */
    case Simulated = 'simulated';

    /** Whether something or somebody beside who typed it says the same. */
    public function isWitnessed(): bool
    {
        return \in_array($this, [self::Instrument, self::ReadBack, self::Photographed, self::File, self::Transcribed], true);
    }

    /** Whether it was taken from lines that something printed; those are kept beside it, byte for byte. */
    public function wasTaken(): bool
    {
        return $this === self::Instrument || $this === self::Simulated;
    }

    /** @return list<self> those that a person may say of what no kept line shows */
    public static function ofPersons(): array
    {
        return array_values(array_filter(self::cases(), static fn (self $one): bool => !$one->wasTaken()));
    }

    /** @return non-empty-list<self> those by which something can be known */
    public static function known(): array
    {
        return [self::ReadBack, self::Photographed, self::File, self::Transcribed, self::Typed, self::Estimated];
    }

    /** What the reader of a report is told. */
    public function words(): string
    {
        return match ($this) {
            self::Instrument => 'taken from the lines that the instrument printed',
            self::Typed => 'typed from the display by one person',
            self::ReadBack => 'read back by a second person',
            self::Photographed => 'the display was photographed',
            self::File => 'taken from the instrument\'s own file',
            self::Transcribed => 'copied from a sheet of paper that was written at the time',
            self::Estimated => 'estimated afterwards, from memory',
            self::StandIn => 'a stand-in, not read at the time',
            self::Simulated => 'printed by a stand-in: practice',
        };
    }
}
