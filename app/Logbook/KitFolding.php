<?php

declare(strict_types=1);

namespace Footnote\App\Logbook;

/** What the kit says of a unit or a reference now: as it was registered, with what was corrected since folded in. */
final class KitFolding
{
    /** The serial number of the unit "i" in SQL, as it was corrected last. */
    public const SERIAL = "COALESCE((SELECT c.record -> 'fields' ->> 'serial' FROM kit_correction c WHERE c.instrument_id = i.id"
        ." AND c.record -> 'fields' ->> 'serial' IS NOT NULL ORDER BY c.id DESC LIMIT 1), i.record ->> 'serial')";

    /**
     * @param array<string, mixed>       $record      as it was registered
     * @param list<array<string, mixed>> $corrections in their order
     *
     * @return array<string, mixed>
     */
    public static function fold(array $record, array $corrections): array
    {
        foreach ($corrections as $correction) {
            $fields = \is_array($correction['fields'] ?? null) ? $correction['fields'] : [];
            foreach ($fields as $name => $value) {
                if ($value === null || $value === '') {
                    unset($record[$name]);
                } else {
                    $record[(string) $name] = $value;
                }
            }
        }

        return $record;
    }

    /**
     * @param list<array<string, mixed>> $corrections
     *
     * @return list<array<string, mixed>> as the record format has them: what is another stands in words
     */
    public static function told(array $corrections): array
    {
        return array_map(static fn (array $one): array => array_diff_key($one, ['fields' => true]), $corrections);
    }
}
