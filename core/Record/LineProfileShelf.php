<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Source\LineProfile;
use Footnote\Core\Source\ProfileColumn;

/** The library of line profiles: how the lines of an instrument are read that does not print open lines. */
final class LineProfileShelf implements EntryInspection
{
    public const ID = 'line-profiles';

    private const BAUD = ['1200', '2400', '4800', '9600', '19200', '38400', '57600', '115200'];

    public static function shelf(): Shelf
    {
        return new Shelf(self::ID, 'Line profiles', 'line profile', self::entries(), [], new self());
    }

    /** @return non-empty-list<Entry> */
    private static function entries(): array
    {
        $delimiters = array_keys(LineProfile::DELIMITERS);
        $orders = ['ymd' => 'year, month, day', 'dmy' => 'day, month, year', 'mdy' => 'month, day, year'];

        return [
            Entry::text('source', 'Source', true, 'Manual, edition, page; or whose lines were looked at, and when'),
            Entry::choice('delimiter', 'Parted by', array_combine($delimiters, $delimiters), true),
            Entry::text('begins', 'Lines of readings begin with', help: 'Empty: every line is one'),
            Entry::choice('dateOrder', 'Order of the date', $orders, help: 'Where a column holds the time'),
            Entry::choice('baud', 'Speed of the port, baud', array_combine(self::BAUD, self::BAUD), help: 'Not said: 9600'),
            Entry::rows('columns', 'Columns', [
                Entry::decimal('place', 'Place, from 1', '1', '100', required: true),
                Entry::choice('holds', 'Holds', ProfileColumn::HOLDS, true),
                Entry::text('channel', 'Channel', help: 'Of a reading, as the steps call it'),
                Entry::text('in', 'In', help: 'Unit of measure of a reading'),
            ]),
        ];
    }

    public function inspect(Fields $item, Traits $entry): void
    {
        $columns = array_map(ProfileColumn::of(...), $entry->rows('columns'));
        $holding = static fn (string $what): array => array_values(
            array_filter($columns, static fn (ProfileColumn $one): bool => $one->holds === $what),
        );
        if ($holding(ProfileColumn::VALUE) === []) {
            throw new InvalidRecord($item->at('columns'), 'says of no column that it holds the reading.');
        }
        $places = [];
        foreach ($columns as $at => $column) {
            $where = \sprintf('%s/%d', $item->at('columns'), $at);
            if (\in_array($column->place, $places, true)) {
                throw new InvalidRecord($where.'/place', 'is named twice.');
            }
            $places[] = $column->place;
            if ($column->holds !== ProfileColumn::VALUE) {
                continue;
            }
            if ($column->channel === '' && $holding(ProfileColumn::CHANNEL) === []) {
                throw new InvalidRecord($where.'/channel', 'is needed: no column says which channel it is.');
            }
            if ($column->in === '' && $holding(ProfileColumn::IN) === []) {
                throw new InvalidRecord($where.'/in', 'is needed: no column says the unit of measure.');
            }
        }
    }
}
