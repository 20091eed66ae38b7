<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\Core\Evidence\KitCorrection;
use Footnote\Core\Evidence\Upkeep;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Record\Certificates;
use Footnote\Core\Record\Fields;

/** The certificates of a unit or a reference, what was corrected of it, and what may be. */
final class CorrectedLines
{
    /**
     * @param array<string, mixed> $record as it stands now
     * @param list<Entry>          $asked  of it
     *
     * @return array{certificates: list<array<string, mixed>>, written: object, corrections: list<array<string, string>>}
     */
    public static function of(array $record, array $asked, Upkeep $upkeep): array
    {
        return [
            'certificates' => array_map(
                static fn (array $one): array => [...$one['record'], 'word' => $one['word']],
                Certificates::of(Fields::of($record))->told(),
            ),
            'written' => (object) array_intersect_key($record, array_flip(['model', 'serial', ...Entry::names($asked)])),
            'corrections' => array_map(static fn (KitCorrection $one): array => [
                'at' => $one->at->format(\DATE_ATOM),
                'by' => $one->by,
                'reason' => $one->reason,
                'words' => $one->words(),
            ], $upkeep->corrections),
        ];
    }
}
