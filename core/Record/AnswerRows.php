<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** Rows of readings as they were answered at the bench: blanks are left out, the rest is kept as it was typed. */
final class AnswerRows
{
    /** @return list<array<string, mixed>> */
    public static function of(mixed $list): array
    {
        $rows = [];
        foreach (\is_array($list) ? $list : [] as $row) {
            $kept = [];
            foreach (\is_array($row) ? $row : [] as $name => $cell) {
                if (\is_string($cell) && trim($cell) !== '') {
                    $kept[(string) $name] = trim($cell);
                } elseif (\is_array($cell) && \is_string($cell['value'] ?? null) && trim($cell['value']) !== '') {
                    $kept[(string) $name] = ['value' => trim($cell['value']), 'unit' => $cell['unit'] ?? ''];
                }
            }
            if (array_diff_key($kept, ['provenance' => 1, 'struck' => 1]) !== []) {
                $rows[] = ['provenance' => 'typed', ...$kept];
            }
        }

        return $rows;
    }
}
