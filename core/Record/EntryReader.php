<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Quantity\Exact;
use Footnote\Core\Quantity\Measured;
use Footnote\Core\Quantity\Unit;

/** Reads declared entries from one object of a record; anything undeclared is left to others. */
final class EntryReader
{
    /**
     * @param list<Entry> $entries
     *
     * @throws InvalidRecord naming the field
     */
    public static function read(Fields $fields, array $entries): Traits
    {
        $values = [];
        foreach ($entries as $entry) {
            $value = self::value($fields, $entry);
            if ($value !== null) {
                $values[$entry->name] = $value;
            } elseif ($entry->required) {
                $fields->refuse($entry->name, 'is missing.');
            }
        }

        return new Traits($values);
    }

    /** @return string|bool|Decimal|Measured|Traits|list<string>|list<Traits>|array<array-key, Decimal>|null */
    private static function value(Fields $fields, Entry $entry): string|bool|Decimal|Measured|Traits|array|null
    {
        $name = $entry->name;

        return match ($entry->kind) {
            EntryKind::Text => ($fields->optionalText($name, 200) ?? '') === '' ? null : $fields->text($name),
            EntryKind::Named => ($fields->optionalText($name, 60) ?? '') === '' ? null : $fields->text($name),
            EntryKind::Flag => $fields->has($name) ? $fields->flag($name) : null,
            EntryKind::Decimal => $fields->optionalDecimal($name, $entry->scale->least, $entry->scale->most),
            EntryKind::Measured => self::measured($fields, $entry),
            EntryKind::Choice => self::choice($fields, $entry),
            EntryKind::Several => array_map(
                static fn (string $one): string => isset($entry->among->choices[$one])
                    ? $one
                    : throw new InvalidRecord($fields->at($name), self::oneOf($one, $entry)),
                $fields->texts($name),
            ),
            EntryKind::Each => self::each($fields, $entry),
            EntryKind::Group => ($group = $fields->optionalObject($name)) === null ? null : self::read($group, $entry->among->rows),
            EntryKind::Rows => array_map(static fn (Fields $row): Traits => self::read($row, $entry->among->rows), $fields->objects($name)),
        };
    }

    /** @return array<array-key, Decimal>|null in the order in which the names are declared */
    private static function each(Fields $fields, Entry $entry): ?array
    {
        $object = $fields->optionalObject($entry->name);
        if ($object === null) {
            return null;
        }
        foreach (array_map(strval(...), array_keys($object->data())) as $name) {
            if (!isset($entry->among->choices[$name])) {
                throw new InvalidRecord($object->at($name), self::oneOf($name, $entry));
            }
        }
        $each = [];
        foreach (array_map(strval(...), array_keys($entry->among->choices)) as $name) {
            $value = $object->optionalDecimal($name, $entry->scale->least, $entry->scale->most);
            if ($value !== null) {
                $each[$name] = $value;
            }
        }

        return $each === [] ? null : $each;
    }

    private static function measured(Fields $fields, Entry $entry): ?Measured
    {
        $object = $fields->optionalObject($entry->name);
        if ($object === null) {
            return null;
        }
        $symbol = $object->oneOf('unit', ...array_map(static fn (Unit $one): string => $one->value, $entry->scale->units));
        $unit = array_values(array_filter($entry->scale->units, static fn (Unit $one): bool => $one->value === $symbol))[0]
            ?? throw new InvalidRecord($object->at('unit'), 'is missing.');
        $measured = new Measured($object->decimal('value'), $unit);
        self::possible($object, $measured);

        return $measured;
    }

    /** What no instrument can show: nothing is colder than absolute zero, and no absolute pressure is zero or less. */
    private static function possible(Fields $object, Measured $measured): void
    {
        $zero = Exact::zero();
        if ($measured->unit->base() === CommonUnit::Kelvin && $measured->in(CommonUnit::Kelvin)->compareTo($zero) <= 0) {
            throw new InvalidRecord($object->at('value'), \sprintf('%s is not above absolute zero.', $measured->words()));
        }
        if (\in_array($measured->unit->base(), [CommonUnit::LitrePerMinute, CommonUnit::Litre, CommonUnit::Milligram], true)
            && $measured->value->value->compareTo($zero) < 0) {
            throw new InvalidRecord($object->at('value'), \sprintf('%s is negative.', $measured->words()));
        }
    }

    private static function choice(Fields $fields, Entry $entry): ?string
    {
        return $fields->oneOf($entry->name, ...array_map(strval(...), array_keys($entry->among->choices)));
    }

    private static function oneOf(string $value, Entry $entry): string
    {
        return \sprintf('"%s" is not one of: %s.', $value, implode(', ', array_map(strval(...), array_keys($entry->among->choices))));
    }
}
