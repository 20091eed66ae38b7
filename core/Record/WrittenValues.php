<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;

/** The values of a check one by one, each with the words that it was asked in. */
final class WrittenValues
{
    /**
     * @param list<Entry>             $entries of the section
     * @param array<array-key, mixed> $written the section as it stands in the record
     *
     * @return list<WrittenValue> in the order in which they are asked
     */
    public static function of(array $entries, array $written, string $path, string $before = ''): array
    {
        $values = [];
        foreach ($entries as $entry) {
            $value = $written[$entry->name] ?? null;
            if ($value !== null && !\in_array($entry->name, ReadingEntries::HOW, true)) {
                array_push($values, ...self::ofEntry($entry, $value, $path.'/'.$entry->name, $before));
            }
        }

        return $values;
    }

    /** @return list<WrittenValue> */
    private static function ofEntry(Entry $entry, mixed $value, string $path, string $before): array
    {
        $own = $entry->words->label === '' ? self::words($entry->name) : $entry->words->label;
        $label = $before === '' ? $own : $before.', '.lcfirst($own);
        $unit = ($entry->scale->units[0] ?? null)->value ?? '';
        if (!\is_array($value)) {
            return \is_string($value) || \is_bool($value) || is_numeric($value)
                ? [new WrittenValue($path, $label, \is_bool($value) ? $value : (string) $value, $unit, $entry)]
                : [];
        }

        return match ($entry->kind) {
            EntryKind::Measured => self::measured($entry, $value, $path, $label),
            EntryKind::Each => self::each($entry, $value, $path, $label, $unit),
            EntryKind::Group => self::of($entry->among->rows, $value, $path, $label),
            EntryKind::Rows => self::rows($entry, $value, $path, $label),
            default => [],
        };
    }

    /** What is asked under the words of its step alone is called as the record calls it. */
    private static function words(string $name): string
    {
        return ucfirst(mb_strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', ' ', $name)));
    }

    /**
     * @param array<array-key, mixed> $value
     *
     * @return list<WrittenValue>
     */
    private static function measured(Entry $entry, array $value, string $path, string $label): array
    {
        $number = $value['value'] ?? null;
        $unit = $value['unit'] ?? '';

        return \is_scalar($number)
            ? [new WrittenValue($path.'/value', $label, (string) $number, \is_string($unit) ? $unit : '', $entry)]
            : [];
    }

    /**
     * @param array<array-key, mixed> $value
     *
     * @return list<WrittenValue>
     */
    private static function each(Entry $entry, array $value, string $path, string $label, string $unit): array
    {
        $values = [];
        foreach ($value as $name => $one) {
            if (\is_scalar($one)) {
                $named = $label.', '.($entry->among->choices[$name] ?? $name);
                $values[] = new WrittenValue($path.'/'.$name, $named, (string) $one, $unit, $entry);
            }
        }

        return $values;
    }

    /**
     * @param array<array-key, mixed> $value
     *
     * @return list<WrittenValue>
     */
    private static function rows(Entry $entry, array $value, string $path, string $label): array
    {
        $values = [];
        $count = \count($value);
        foreach (array_values($value) as $place => $row) {
            $row = \is_array($row) ? $row : [];
            $named = self::nameOf($entry->among->rows, $row);
            $told = match (true) {
                $named !== '' => $named,
                $count > 1 => \sprintf('%d of %d', $place + 1, $count),
                default => '',
            };
            $came = $row[ReadingEntries::PROVENANCE] ?? null;
            $how = \is_string($came) ? Provenance::tryFrom($came) : null;
            foreach (self::of($entry->among->rows, $row, $path.'/'.$place, $told === '' ? $label : $label.', '.$told) as $one) {
                $values[] = $one->in(new TableRow($label, $told, self::isName($one->entry), $how));
            }
        }

        return $values;
    }

    /**
     * What tells a row from the others: the channel, the point, the size.
     *
     * @param list<Entry>             $entries
     * @param array<array-key, mixed> $row
     */
    private static function nameOf(array $entries, array $row): string
    {
        foreach ($entries as $entry) {
            $value = $row[$entry->name] ?? null;
            if (self::isName($entry) && \is_string($value) && $value !== '') {
                return $entry->among->choices[$value] ?? $value;
            }
        }

        return '';
    }

    private static function isName(Entry $entry): bool
    {
        return !\in_array($entry->name, ReadingEntries::HOW, true)
            && \in_array($entry->kind, [EntryKind::Choice, EntryKind::Text, EntryKind::Named], true);
    }
}
