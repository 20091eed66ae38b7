<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Procedure\Entry;

/** What is asked of a unit: what its family asks, and what is asked of any. */
final class UnitEntries
{
    /** @return list<Entry> */
    public static function of(ContentFormat $format): array
    {
        return [...$format->instrument(), ...self::once()];
    }

    /** @return non-empty-list<Entry> asked of any when it is registered, and never corrected */
    public static function once(): array
    {
        return [Entry::flag(
            Instrument::PRACTICE,
            'Practice unit: nothing of it is ever signed',
            'For trying and teaching: a stand-in may take its place. It cannot be changed later.',
        )];
    }
}
