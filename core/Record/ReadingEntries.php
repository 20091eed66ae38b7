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
    /** Under which it stands which line it was taken from: the number of the kept file and that of the line, such as "F-00012:37". */
    public const LINE = 'line';
    /** What says of a reading how it came, and is no value of it. */
    public const HOW = [self::PROVENANCE, self::LINE];

    /**
     * A number and how it came.
     *
     * @return non-empty-list<Entry>
     */
    public static function of(string $least, string $most): array
    {
        return [Entry::decimal('value', 'Reading', $least, $most, required: true), ...self::how(true)];
    }

    /**
     * Every reading of a record that says how it came, by the place where it says so, such as "/acoustic/asFound/0/provenance".
     *
     * @param array<array-key, mixed> $told
     *
     * @return \Generator<string, array{array<array-key, mixed>, Provenance}>
     */
    public static function saying(array $told, string $path = ''): \Generator
    {
        $how = $told[self::PROVENANCE] ?? null;
        $how = \is_string($how) ? Provenance::tryFrom($how) : null;
        if ($how !== null) {
            yield $path.'/'.self::PROVENANCE => [$told, $how];
        }
        foreach ($told as $name => $inner) {
            if (\is_array($inner)) {
                yield from self::saying($inner, $path.'/'.$name);
            }
        }
    }

    /** @return non-empty-list<Entry> how one reading came */
    public static function how(bool $required = false): array
    {
        return [self::provenance($required), Entry::text(self::LINE, 'Line that it was taken from')];
    }

    private static function provenance(bool $required): Entry
    {
        $words = array_map(static fn (Provenance $one): string => $one->words(), Provenance::cases());

        return Entry::choice(self::PROVENANCE, 'How it came', array_combine(array_column(Provenance::cases(), 'value'), $words), $required);
    }
}
