<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** Inputs of an equation that are a row, such as the levels L_i of a task: L_i₁, L_i₂ … by their place. */
final class Row
{
    private const DIGITS = ['₀', '₁', '₂', '₃', '₄', '₅', '₆', '₇', '₈', '₉'];

    /**
     * @param list<Figure> $figures
     *
     * @return array<string, Figure>
     */
    public static function of(string $symbol, array $figures): array
    {
        $row = [];
        foreach ($figures as $place => $figure) {
            $row[$symbol.self::subscript($place + 1)] = $figure;
        }

        return $row;
    }

    /**
     * Rows that go together, member by member: c_i₁, t_i₁, c_i₂, t_i₂ …
     *
     * @param non-empty-list<string> $symbols
     * @param list<list<Figure>>     $members one figure for each symbol
     *
     * @return array<string, Figure>
     */
    public static function together(array $symbols, array $members): array
    {
        $row = [];
        foreach ($members as $place => $figures) {
            foreach ($figures as $which => $figure) {
                $row[$symbols[$which].self::subscript($place + 1)] = $figure;
            }
        }

        return $row;
    }

    private static function subscript(int $place): string
    {
        return implode('', array_map(static fn (string $digit): string => self::DIGITS[(int) $digit], str_split((string) $place)));
    }
}
