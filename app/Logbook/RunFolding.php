<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** Folds the facts learned about a run into its record: lists are added to, single values supersede, and null takes back. */
final class RunFolding
{
    public const LISTS = ['pauses', 'remarks', 'exclusions', 'leftIn'];

    /**
     * @param array<string, mixed>       $record as started
     * @param list<array<string, mixed>> $facts  in order
     *
     * @return array<string, mixed>
     */
    public static function fold(array $record, array $facts): array
    {
        foreach ($facts as $fact) {
            foreach ($fact as $name => $value) {
                if (\in_array($name, self::LISTS, true)) {
                    $before = $record[$name] ?? [];
                    $record[$name] = [...(\is_array($before) ? $before : []), ...(\is_array($value) ? $value : [])];
                } elseif ($value === null) {
                    unset($record[$name]);
                } else {
                    $record[$name] = $value;
                }
            }
        }

        return $record;
    }
}
