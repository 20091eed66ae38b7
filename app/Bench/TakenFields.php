<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Record\ReadingEntries;
use Footnote\Core\Record\TakenEntries;
use Footnote\Core\Source\Taken;

/** Answers that stand in no list of readings and were taken from lines: what each stands on, as long as nobody types another over it. */
final class TakenFields
{
    /** Under which a half-done check keeps them; only the server writes it. */
    public const ANSWER = TakenEntries::NAME;

    /**
     * @param array<string, mixed> $answers
     * @param string               $file    the number that the stretch is kept under
     *
     * @return array<string, mixed>
     */
    public static function with(array $answers, Taken $taken, string $file, Provenance $how): array
    {
        $field = $taken->feed->column;
        $value = $taken->feed->written($taken->last());
        $row = [
            TakenEntries::FIELD => $field,
            ReadingEntries::PROVENANCE => $how->value,
            ReadingEntries::LINE => (new TakenLine($file, [$taken->last()->line]))->written(),
            'value' => $value,
        ];

        return [...$answers, $field => $value, self::ANSWER => [...self::kept($answers, $field), $row]];
    }

    /**
     * Those that still say what was taken, as the record has them.
     *
     * @param array<string, mixed> $answers
     *
     * @return list<array{field: string, provenance: string, line: string}>
     */
    public static function standing(array $answers): array
    {
        return TakenEntries::rows([TakenEntries::NAME => array_filter(
            self::kept($answers),
            static fn (array $row): bool => \is_string($row[TakenEntries::FIELD] ?? null)
                && ($answers[$row[TakenEntries::FIELD]] ?? null) === ($row['value'] ?? false),
        )]);
    }

    /**
     * @param array<string, mixed> $answers
     * @param string|null          $but     without that field
     *
     * @return list<array<array-key, mixed>>
     */
    private static function kept(array $answers, ?string $but = null): array
    {
        $kept = \is_array($answers[self::ANSWER] ?? null) ? $answers[self::ANSWER] : [];

        return array_values(array_filter(
            $kept,
            static fn (mixed $row): bool => \is_array($row) && ($but === null || ($row[TakenEntries::FIELD] ?? null) !== $but),
        ));
    }
}
