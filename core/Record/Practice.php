<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Provenance;

/** What a stand-in printed belongs to units of practice alone: no real result may come to lean on it. */
final class Practice
{
    /**
     * @param array<array-key, mixed> $content of a check, as it stands in the record
     * @param string                  $path    to it
     *
     * @throws InvalidRecord naming the reading
     */
    public static function refuse(array $content, string $path, Instrument $unit): void
    {
        foreach ($unit->isPractice() ? [] : ReadingEntries::saying($content, $path) as $place => [, $how]) {
            if ($how === Provenance::Simulated) {
                throw new InvalidRecord($place, \sprintf('says that a stand-in printed it, and %s is no practice unit.', $unit->id));
            }
        }
    }
}
