<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** Conditions on texts that hold a word, whatever its case; the word is taken as it stands. */
final class Containing
{
    /**
     * @param non-empty-list<string> $columns
     *
     * @return array{string, list<string>} that one of them holds it, and the values of the condition
     */
    public static function any(array $columns, string $word): array
    {
        // No backslash: not every driver reads a text of one sign that is a backslash as the standard has it.
        $pattern = '%'.strtr($word, ['!' => '!!', '%' => '!%', '_' => '!_']).'%';
        // The database makes both small, so that its own idea of small letters is held against itself.
        $one = static fn (string $column): string => "LOWER($column) LIKE LOWER(?) ESCAPE '!'";

        return ['('.implode(' OR ', array_map($one, $columns)).')', array_fill(0, \count($columns), $pattern)];
    }
}
