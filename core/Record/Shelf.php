<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;
use Footnote\Core\Procedure\Entry;

/** One library: sampler types, methods, substances. Users add to it; an entry is never changed, since results lean on it. */
final readonly class Shelf
{
    /**
     * @param list<Entry>                 $entries what is asked of an entry beside its code and name
     * @param list<array<string, mixed>>  $shipped that come with Footnote; an own one of the same code stands over it, field by field
     * @param EntryInspection|null        $whole   what it wants of an entry beyond each field
     * @param string|null                 $replaces the field by which an entry takes another out of use; null where none does
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $one,
        public array $entries,
        public array $shipped = [],
        private ?EntryInspection $whole = null,
        public ?string $replaces = null,
    ) {
    }

    /**
     * An entry as read: its code and name stand beside what the shelf asks.
     *
     * @throws InvalidRecord naming the field
     */
    public function read(Fields $item): Traits
    {
        $entry = EntryReader::read($item, [Entry::text('code', 'Code', true), Entry::text('name', 'Name', true), ...$this->entries]);
        $this->whole?->inspect($item, $entry);

        return $entry;
    }

    /**
     * An own entry with what comes with Footnote under it.
     *
     * @param array<string, mixed> $own
     *
     * @return array<string, mixed>
     */
    public function over(array $own): array
    {
        foreach ($this->shipped as $item) {
            if (($item['code'] ?? null) === ($own['code'] ?? '')) {
                return [...$item, ...$own];
            }
        }

        return $own;
    }

    /** @return array<string, Traits> what comes with Footnote, by code */
    public function shipped(): array
    {
        $found = [];
        foreach ($this->shipped as $item) {
            $entry = $this->read(Fields::of($item));
            $found[$entry->text('code') ?? ''] = $entry;
        }

        return $found;
    }
}
