<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/**
 * Folds the facts learned about a run into its record: lists are added to, single values supersede, and null takes back. What is
 * superseded stays on the record as a correction.
 *
 * @phpstan-type Correction array{what: string, was?: string, is?: string, by: string, at: string, reason: string}
 */
final class RunFolding
{
    public const LISTS = ['pauses', 'remarks', 'exclusions', 'leftIn'];

    /** Words of a person that carry their own name and reason. */
    private const WORDS = ['restOfDay', 'logWord', 'declaration', 'despite', 'log', 'withdrawn'];

    /**
     * @param array<string, mixed> $record as started
     * @param list<ToldFact>       $facts  in order
     *
     * @return array<string, mixed>
     */
    public static function fold(array $record, array $facts): array
    {
        foreach ($facts as $fact) {
            foreach ($fact->record as $name => $value) {
                $before = $record[$name] ?? null;
                if (\in_array($name, self::LISTS, true)) {
                    $record[$name] = [...(\is_array($before) ? $before : []), ...(\is_array($value) ? $value : [])];
                    continue;
                }
                $speaks = $before === null || \in_array($name, self::WORDS, true);
                $corrections = $speaks ? [] : self::corrections($name, $before, $value, $fact);
                if ($corrections !== []) {
                    $known = $record['corrections'] ?? [];
                    $record['corrections'] = [...(\is_array($known) ? $known : []), ...$corrections];
                }
                if ($value === null) {
                    unset($record[$name]);
                } else {
                    $record[$name] = $value;
                }
            }
        }

        return $record;
    }

    /**
     * Each single value that is another now.
     *
     * @return list<Correction>
     */
    private static function corrections(string $name, mixed $was, mixed $is, ToldFact $fact): array
    {
        if (\is_array($was) || \is_array($is)) {
            $corrections = [];
            $was = \is_array($was) ? $was : [];
            $is = \is_array($is) ? $is : [];
            foreach (array_keys([...$was, ...$is]) as $part) {
                array_push($corrections, ...self::corrections($name.' '.$part, $was[$part] ?? null, $is[$part] ?? null, $fact));
            }

            return $corrections;
        }
        if (self::told($was) === self::told($is)) {
            return [];
        }

        return [[
            'what' => mb_strtolower((string) preg_replace('/(?<=[a-z])(?=[A-Z])/', ' ', $name)),
            ...array_filter(['was' => self::told($was), 'is' => self::told($is)], static fn (string $text): bool => $text !== ''),
            'by' => $fact->by,
            'at' => $fact->at,
            'reason' => $fact->reason === '' ? 'none was given' : $fact->reason,
        ]];
    }

    private static function told(mixed $value): string
    {
        return match (true) {
            \is_bool($value) => $value ? 'yes' : 'no',
            \is_scalar($value) => (string) $value,
            default => '',
        };
    }
}
