<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\Core\Evidence\KitCorrection;
use Footnote\Core\Evidence\Upkeep;
use Footnote\Core\Procedure\Entry;

/** What was corrected of a unit or a reference, and what may be. */
final class CorrectedLines
{
    /**
     * @param array<string, mixed> $record as it stands now
     * @param list<Entry>          $asked  of it
     *
     * @return array{written: object, corrections: list<array<string, string>>}
     */
    public static function of(array $record, array $asked, Upkeep $upkeep): array
    {
        $names = ['model', 'serial', ...array_map(static fn (Entry $entry): string => $entry->name, $asked)];

        return [
            'written' => (object) array_intersect_key($record, array_flip($names)),
            'corrections' => array_map(static fn (KitCorrection $one): array => [
                'at' => $one->at->format(\DATE_ATOM),
                'by' => $one->by,
                'reason' => $one->reason,
                'words' => $one->words(),
            ], $upkeep->corrections),
        ];
    }
}
