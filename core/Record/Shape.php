<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Quantity\Unit;

/**
 * Pieces of JSON Schema, and what declared entries come to in it. Texts are what the reader takes: no longer than it reads, and
 * said where they must be.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final class Shape
{
    /** A field that must be there says something. */
    private const SAID = '\S';

    /** @return Schema */
    public static function ref(string $name): array
    {
        return ['$ref' => '#/$defs/'.$name];
    }

    /** @return Schema a text that says something */
    public static function said(int $longest = 500): array
    {
        return ['type' => 'string', 'maxLength' => $longest, 'pattern' => self::SAID];
    }

    /** @return Schema a text that may be empty */
    public static function text(int $longest = 500): array
    {
        return ['type' => 'string', 'maxLength' => $longest];
    }

    /**
     * @param Schema $items
     *
     * @return Schema
     */
    public static function list(array $items, int $least = 0): array
    {
        return $least > 0
            ? ['type' => 'array', 'items' => $items, 'minItems' => $least]
            // An empty list and an empty object are read alike.
            : ['type' => ['array', 'object'], 'items' => $items, 'maxProperties' => 0];
    }

    /**
     * @param array<string, Schema> $properties
     * @param list<string>          $required
     *
     * @return Schema
     */
    public static function object(array $properties, array $required = [], string $description = ''): array
    {
        return [
            ...($required === [] ? ['type' => ['object', 'array'], 'maxItems' => 0] : ['type' => 'object']),
            ...($description === '' ? [] : ['description' => $description]),
            'properties' => $properties === [] ? new \stdClass() : $properties,
            ...($required === [] ? [] : ['required' => $required]),
            'additionalProperties' => false,
        ];
    }

    /**
     * @param Schema $values
     *
     * @return Schema
     */
    public static function map(array $values, string $description = ''): array
    {
        return [
            'type' => ['object', 'array'],
            'maxItems' => 0,
            ...($description === '' ? [] : ['description' => $description]),
            'additionalProperties' => $values,
        ];
    }

    /**
     * @param list<string> $words
     *
     * @return Schema
     */
    public static function oneOf(array $words): array
    {
        $words = array_values(array_unique($words));
        sort($words);

        return ['enum' => $words];
    }

    /**
     * @param class-string<\BackedEnum> $enum
     *
     * @return Schema
     */
    public static function cases(string $enum): array
    {
        return ['enum' => array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases())];
    }

    /** @return Schema a number as such or as its decimals */
    public static function number(float $least, float $most): array
    {
        return ['anyOf' => [['type' => 'number', 'minimum' => $least, 'maximum' => $most], self::ref('decimal')]];
    }

    /**
     * What entries come to as properties of one object.
     *
     * @param list<Entry> $entries
     *
     * @return array<string, Schema>
     */
    public static function properties(array $entries): array
    {
        $properties = [];
        foreach ($entries as $entry) {
            $properties[$entry->name] = self::entry($entry);
        }

        return $properties;
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<string>
     */
    public static function required(array $entries): array
    {
        return array_values(array_map(
            static fn (Entry $entry): string => $entry->name,
            array_filter($entries, static fn (Entry $entry): bool => $entry->required),
        ));
    }

    /** @return Schema */
    private static function entry(Entry $entry): array
    {
        return match ($entry->kind) {
            EntryKind::Text => $entry->required ? self::said(200) : self::text(200),
            EntryKind::Named => $entry->required ? self::said(60) : self::text(60),
            EntryKind::Flag => ['type' => 'boolean'],
            EntryKind::Decimal => self::ref('decimal'),
            EntryKind::Measured => self::measured($entry->scale->units),
            EntryKind::Choice => ['enum' => [...self::names($entry), ...($entry->required ? [] : [''])]],
            EntryKind::Several => self::list(['enum' => self::names($entry)]),
            EntryKind::Each => [
                ...self::object(array_fill_keys(self::names($entry), self::ref('decimal'))),
                ...($entry->required ? ['type' => 'object', 'minProperties' => 1] : []),
            ],
            EntryKind::Group => self::object(self::properties($entry->among->rows), self::required($entry->among->rows)),
            EntryKind::Rows => self::list(self::object(self::properties($entry->among->rows), self::required($entry->among->rows))),
        };
    }

    /**
     * @param list<Unit> $units
     *
     * @return Schema
     */
    private static function measured(array $units): array
    {
        return self::object([
            'value' => self::ref('decimal'),
            'unit' => ['enum' => array_map(static fn (Unit $unit): string => $unit->value, $units)],
        ], ['value', 'unit']);
    }

    /** @return list<string> */
    private static function names(Entry $entry): array
    {
        return array_map(strval(...), array_keys($entry->among->choices));
    }
}
