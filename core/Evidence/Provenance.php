<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

/** How a reading came into the record; the grade is shown beside it. */
enum Provenance: string
{
    case Typed = 'typed';
    case ReadBack = 'read back';
    case Photographed = 'photographed';
    case File = 'from the unit\'s file';
    case Transcribed = 'transcribed';
    case Estimated = 'estimated';
    case StandIn = 'stand-in';

    /** Whether something or somebody beside who typed it says the same. */
    public function isWitnessed(): bool
    {
        return \in_array($this, [self::ReadBack, self::Photographed, self::File, self::Transcribed], true);
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
            self::Typed => 'typed from the display by one person',
            self::ReadBack => 'read back by a second person',
            self::Photographed => 'the display was photographed',
            self::File => 'taken from the instrument\'s own file',
            self::Transcribed => 'copied from a sheet of paper that was written at the time',
            self::Estimated => 'estimated afterwards, from memory',
            self::StandIn => 'a stand-in, not read at the time',
        };
    }
}
