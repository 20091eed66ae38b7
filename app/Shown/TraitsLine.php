<?php

declare(strict_types=1);

namespace Footnote\App\Shown;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Procedure\EntryKind;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Record\ContentFormat;

/** What is known of a thing beyond its name, in words. */
final class TraitsLine
{
    /** A unit in one line, only what is given. */
    public static function of(Instrument $unit, ContentFormat $format): string
    {
        return self::line($unit->traits, $format->instrument());
    }

    /**
     * Only what is given; what was chosen from words says itself what it is.
     *
     * @param list<Entry> $entries
     */
    public static function line(Traits $traits, array $entries): string
    {
        $words = [];
        $bare = false;
        foreach ($entries as $entry) {
            // A number whose unit is chosen beside it, as on a label: "18.0 % vol".
            $unit = $bare && $entry->kind === EntryKind::Choice;
            $bare = $entry->kind === EntryKind::Decimal && $entry->required && $entry->scale->units === [CommonUnit::None];
            $shown = self::shown($traits, [$entry]);
            foreach ($entry->kind === EntryKind::Rows ? \array_slice($shown, 0, 1) : $shown as $trait) {
                if ($unit && $words !== []) {
                    $words[array_key_last($words)] .= ' '.$trait['shown'];
                    continue;
                }
                $words[] = match (true) {
                    $bare => $trait['shown'],
                    $trait['flag'] => Words::inSentence($trait['label']),
                    // Of a table the names must do: what its rows hold stands on the page of the unit.
                    $entry->kind === EntryKind::Rows => Words::inSentence($entry->words->label).' '.implode(
                        ', ',
                        array_filter(
                            array_map(
                                static fn (Traits $row): ?string => $row->shown($entry->among->rows[0]->name),
                                $traits->rows($entry->name),
                            ),
                            \is_string(...),
                        ),
                    ),
                    $entry->kind === EntryKind::Choice && $entry->required => $trait['shown'],
                    default => Words::inSentence($trait['label']).' '.$trait['shown'],
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
            if ($entry->kind === EntryKind::Rows) {
                foreach ($traits->rows($entry->name) as $row) {
                    $list[] = [
                        'label' => $row->shown($entry->among->rows[0]->name) ?? $entry->words->label,
                        'shown' => self::line($row, \array_slice($entry->among->rows, 1)),
                        'flag' => false,
                    ];
                }
                continue;
            }
            $unit = $entry->kind === EntryKind::Decimal ? ' '.($entry->scale->units[0] ?? CommonUnit::None)->value : '';
            $list[] = [
                'label' => $entry->words->label,
                'shown' => rtrim(($entry->among->choices[$shown] ?? $shown).$unit),
                'flag' => $flag,
            ];
        }

        return $list;
    }
}
