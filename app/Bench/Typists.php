<?php

declare(strict_types=1);

namespace Footnote\App\Bench;

use Footnote\App\Logbook\ModelSheets;

/** Who typed which answer of a half-done check: each row of a list and each step has a typist of its own. */
final class Typists
{
    /** What nobody types: the server notes the moments, the bench its way, its waits and whether it copies a sheet. */
    private const NOTED = [
        'at', 'procedure', 'waits', 'fromPaper', 'stepTimes', 'stepWaits', 'together', ModelSheets::ANSWER, StandInSeat::ANSWER,
        BroughtBy::ANSWER, TakenFields::ANSWER,
    ];

    /**
     * @param array<string, mixed>  $before  the answers as they stood
     * @param array<string, mixed>  $answers as they are now
     * @param array<string, string> $typed   by whom, by the name of the answer, as it stood
     *
     * @return array<string, string> as it is now: what is answered otherwise is of whoever answered last
     */
    public static function after(array $before, array $answers, array $typed, string $by): array
    {
        $was = self::apart($before);
        $now = [];
        foreach (self::apart($answers) as $name => $value) {
            $now[$name] = \array_key_exists($name, $was) && $was[$name] === $value ? $typed[$name] ?? $by : $by;
        }

        return $now;
    }

    /**
     * As the record has it.
     *
     * @param array<string, string> $typed
     *
     * @return list<array{by: string, fields: list<string>}>
     */
    public static function told(array $typed): array
    {
        $told = [];
        foreach ($typed as $field => $by) {
            $told['='.$by] = ['by' => $by, 'fields' => [...$told['='.$by]['fields'] ?? [], $field]];
        }

        return array_values($told);
    }

    /**
     * @param array<string, mixed> $answers
     *
     * @return array<string, mixed> each row and each step by itself; what is empty is no answer
     */
    private static function apart(array $answers): array
    {
        $apart = [];
        foreach (array_diff_key($answers, array_flip(self::NOTED)) as $name => $value) {
            if (!\is_array($value)) {
                $apart[$name] = $value;
                continue;
            }
            foreach ($value as $part => $one) {
                $apart[$name.'/'.$part] = $one;
            }
        }

        return array_filter($apart, static fn (mixed $one): bool => $one !== null && $one !== '');
    }
}
