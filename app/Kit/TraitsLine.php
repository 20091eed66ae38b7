<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Quantity\Unit;
use Footnote\Core\Record\RecordReader;

/** What is known of a thing beyond its name, in words. */
final class TraitsLine
{
    /** In one line, only what is given. */
    public static function of(Instrument $unit): string
    {
        return self::line($unit->traits, RecordReader::format($unit->family)->instrument());
    }

    /**
     * Only what is given; what was chosen from words says itself what it is.
     *
     * @param list<Entry> $entries
     */
    public static function line(Traits $traits, array $entries): string
    {
        $words = [];
        foreach ($entries as $entry) {
            foreach (self::shown($traits, [$entry]) as $trait) {
                $words[] = match (true) {
                    $trait['flag'] => lcfirst($trait['label']),
                    $entry->kind === EntryKind::Choice && $entry->required => $trait['shown'],
                    default => lcfirst($trait['label']).' '.$trait['shown'],
                };
            }
        }

        return implode(', ', $words);
    }

    /**
     * @param list<Entry> $entries
     *
     * @return list<array{label: string, shown: string, flag: bool}>
     */
    public static function shown(Traits $traits, array $entries): array
    {
        $list = [];
        foreach ($entries as $entry) {
            $shown = $traits->shown($entry->name);
            $flag = $entry->kind === EntryKind::Flag;
            if ($shown === null || ($flag && !$traits->flag($entry->name))) {
                continue;
            }
            $unit = $entry->kind === EntryKind::Decimal ? ' '.($entry->units[0] ?? Unit::None)->value : '';
            $list[] = ['label' => $entry->label, 'shown' => rtrim(($entry->choices[$shown] ?? $shown).$unit), 'flag' => $flag];
        }

        return $list;
    }
}
