<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Procedure\Entry;

/** What families ask alike of one reading. */
final class ReadingEntries
{
    /** Under which it stands how a reading came. */
    public const PROVENANCE = 'provenance';

    /**
     * A number and how it came.
     *
     * @return non-empty-list<Entry>
     */
    public static function of(string $least, string $most): array
    {
        return [Entry::decimal('value', 'Reading', $least, $most, required: true), self::provenance(true)];
    }

    public static function provenance(bool $required = false): Entry
    {
        $words = array_map(static fn (Provenance $one): string => $one->words(), Provenance::cases());

        return Entry::choice(self::PROVENANCE, 'How it came', array_combine(array_column(Provenance::cases(), 'value'), $words), $required);
    }
}
