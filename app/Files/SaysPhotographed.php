<?php

declare(strict_types=1);

namespace Footnote\App\Files;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Record\ReadingEntries;

/** Where a check's record says that a display was photographed: without the photo nobody can look at it. */
final class SaysPhotographed
{
    /**
     * @param array<array-key, mixed> $record
     *
     * @return string|null the first place, such as "/acoustic/asFound/0/provenance"; null where it says so nowhere
     */
    public static function at(array $record): ?string
    {
        foreach (ReadingEntries::saying($record) as $place => [, $how]) {
            if ($how === Provenance::Photographed) {
                return $place;
            }
        }

        return null;
    }
}
