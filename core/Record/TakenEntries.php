<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Provenance;

/** Which answers of a check that stand in no list of readings were taken from lines, as it stands in the record. */
final class TakenEntries
{
    public const NAME = 'taken';
    public const FIELD = 'field';

    /** @throws InvalidRecord where one says that it was not taken, or does not say from where */
    public static function refuse(Fields $check): void
    {
        foreach ($check->objects(self::NAME) as $row) {
            if (!$row->choice(ReadingEntries::PROVENANCE, Provenance::class)->wasTaken()) {
                throw new InvalidRecord($row->at(ReadingEntries::PROVENANCE), 'is of a value that came from lines.');
            }
            $row->text(self::FIELD);
            $row->text(ReadingEntries::LINE);
        }
    }

    /**
     * How a value of the section came that stands by itself; null where it was typed.
     *
     * @param array<string, mixed> $record of a check
     */
    public static function how(array $record, string $field): ?Provenance
    {
        foreach (self::rows($record) as $row) {
            if ($row[self::FIELD] === $field) {
                return Provenance::tryFrom($row[ReadingEntries::PROVENANCE]);
            }
        }

        return null;
    }

    /**
     * Without what is said of a value that is another now.
     *
     * @param array<string, mixed> $record of a check
     *
     * @return array<string, mixed>
     */
    public static function without(array $record, string $field): array
    {
        $rest = array_values(array_filter(self::rows($record), static fn (array $row): bool => $row[self::FIELD] !== $field));

        return [...array_diff_key($record, [self::NAME => true]), ...($rest === [] ? [] : [self::NAME => $rest])];
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return list<array{field: string, provenance: string, line: string}>
     */
    public static function rows(array $record): array
    {
        $rows = [];
        foreach (\is_array($record[self::NAME] ?? null) ? $record[self::NAME] : [] as $row) {
            $field = \is_array($row) ? $row[self::FIELD] ?? null : null;
            $how = \is_array($row) ? $row[ReadingEntries::PROVENANCE] ?? null : null;
            $line = \is_array($row) ? $row[ReadingEntries::LINE] ?? null : null;
            if (\is_string($field) && \is_string($how) && \is_string($line)) {
                $rows[] = [self::FIELD => $field, ReadingEntries::PROVENANCE => $how, ReadingEntries::LINE => $line];
            }
        }

        return $rows;
    }
}
