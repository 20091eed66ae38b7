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
        if ($unit->isPractice()) {
            return;
        }
        if (($content[ReadingEntries::PROVENANCE] ?? null) === Provenance::Simulated->value) {
            throw new InvalidRecord(
                $path.'/'.ReadingEntries::PROVENANCE,
                \sprintf('says that a stand-in printed it, and %s is no practice unit.', $unit->id),
            );
        }
        foreach ($content as $name => $inner) {
            if (\is_array($inner)) {
                self::refuse($inner, $path.'/'.$name, $unit);
            }
        }
    }
}
