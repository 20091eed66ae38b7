<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Evidence\Provenance;
use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Decimal;
use Footnote\Core\Record\ReadingEntries;

/** One reading of one channel in one gas. */
final readonly class GasRow
{
    /**
     * @param Decimal|null $seconds  since the gas was applied
     * @param Decimal|null $expected value that the unit was told to expect
     * @param string|null  $selected gas that was selected on the unit, where it asks
     * @param string|null  $struck   why it does not count
     */
    private function __construct(
        public string $channel,
        public Decimal $value,
        public ?Decimal $seconds,
        public ?Decimal $expected,
        public ?string $selected,
        public Provenance $provenance,
        public ?string $struck,
    ) {
    }

    /** @return non-empty-list<Entry> */
    public static function entries(): array
    {
        return [
            Entry::text('channel', 'Channel', true)->filledIn(),
            Entry::decimal('value', 'Reads', '-1000000', '1000000', required: true),
            Entry::decimal('seconds', 'After', '0', '7200', CommonUnit::Second),
            Entry::decimal('expected', 'Expects', '0', '1000000'),
            Entry::text('selected', 'Set to', help: 'The gas that is selected, where the instrument has a choice'),
            ...ReadingEntries::how(),
            Entry::text('struck', 'Struck out'),
        ];
    }

    public static function of(Traits $row): ?self
    {
        $value = $row->decimal('value');

        return $value === null
            ? null
            : new self(
                $row->text('channel') ?? '',
                $value,
                $row->decimal('seconds'),
                $row->decimal('expected'),
                $row->text('selected'),
                Provenance::tryFrom($row->text('provenance') ?? '') ?? Provenance::Typed,
                $row->text('struck'),
            );
    }
}
