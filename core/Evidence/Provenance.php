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
    case StandIn = 'stand-in';

    /** What the reader of a report is told. */
    public function words(): string
    {
        return match ($this) {
            self::Typed => 'typed from the display by one person',
            self::ReadBack => 'read back by a second person',
            self::Photographed => 'the display was photographed',
            self::File => 'taken from the instrument\'s own file',
            self::StandIn => 'a stand-in, not read at the time',
        };
    }
}
