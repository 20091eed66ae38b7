<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Asked;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;

/** The section of a check, from the answers of a half-done one: blanks are left out, the rest is kept as it was typed. */
final class Answers
{
    /**
     * @param list<Entry>          $entries that the section holds
     * @param array<string, mixed> $answers by the names of the entries; others are left to others
     *
     * @return array<string, mixed>
     */
    public static function section(array $entries, array $answers): array
    {
        $section = [];
        foreach ($entries as $entry) {
            $value = self::isAsked($entry, $answers) ? self::value($entry, $answers[$entry->name] ?? null) : null;
            if ($value !== null && $value !== []) {
                $section[$entry->name] = $value;
            }
        }

        return $section;
    }

    /** @param array<string, mixed> $answers */
    private static function isAsked(Entry $entry, array $answers): bool
    {
        $only = $entry->when->only;
        if ($only === null) {
            return true;
        }
        $other = $answers[$only->entry] ?? null;

        return $only->values === [] ? $other === true || self::text($other) !== null : \in_array($other, $only->values, true);
    }

    /** @return string|true|array<array-key, mixed>|null */
    private static function value(Entry $entry, mixed $value): string|bool|array|null
    {
        return match ($entry->kind) {
            EntryKind::Flag => $value === true ? true : null,
            EntryKind::Rows => self::rows($entry, $value),
            EntryKind::Measured => self::measured($value),
            default => self::text($value),
        };
    }

    private static function text(mixed $value): ?string
    {
        return \is_string($value) && trim($value) !== '' ? trim($value) : null;
    }

    /** @return array{value: string, unit: mixed}|null */
    private static function measured(mixed $value): ?array
    {
        if (!\is_array($value)) {
            return null;
        }
        $number = self::text($value['value'] ?? null);

        return $number === null ? null : ['value' => $number, 'unit' => $value['unit'] ?? ''];
    }

    /**
     * Only a reading makes a row: what its columns require, or, where none is required, anything but how it came. What the
     * bench fills in beforehand makes none.
     *
     * @return list<array<string, mixed>>
     */
    private static function rows(Entry $entry, mixed $list): array
    {
        $telling = array_filter(
            $entry->among->rows,
            static fn (Entry $column): bool => $column->when->asked !== Asked::Beforehand
                && !\in_array($column->name, ['provenance', 'struck'], true),
        );
        $required = array_filter($telling, static fn (Entry $column): bool => $column->required);
        $wanted = Entry::names(array_values($required === [] ? $telling : $required));
        $rows = [];
        foreach (\is_array($list) ? $list : [] as $row) {
            $kept = [];
            foreach (\is_array($row) ? $row : [] as $name => $cell) {
                $told = self::text($cell) ?? self::measured($cell);
                $kept += $told === null ? [] : [(string) $name => $told];
            }
            if (array_intersect_key($kept, array_flip($wanted)) !== []) {
                $rows[] = ['provenance' => 'typed', ...$kept];
            }
        }

        return $rows;
    }
}
