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

    /**
     * @param Fields $run as it stands in the record
     *
     * @throws InvalidRecord where a stand-in reported its medium
     */
    public static function refuseReports(Fields $run, Laboratory $laboratory, Instrument $unit): void
    {
        $medium = $run->optionalText('medium') ?? '';
        foreach ($medium === '' || $unit->isPractice() ? [] : $laboratory->reported($medium) as $row) {
            if ($row->flag('simulated')) {
                throw new InvalidRecord(
                    $run->at('medium'),
                    \sprintf('has a report of a stand-in, and %s is no practice unit.', $unit->id),
                );
            }
        }
    }
}
