<?php

declare(strict_types=1);

namespace Footnote\Core\Procedure;

/** What a check's section of the record holds, for the steps that ask some of it: each entry is described once. */
final readonly class Section
{
    /** @param list<Entry> $entries */
    public function __construct(private array $entries)
    {
    }

    /** @throws NoSuchEntry */
    public function one(string $name): Entry
    {
        foreach ($this->entries as $entry) {
            if ($entry->name === $name) {
                return $entry;
            }
        }
        throw NoSuchEntry::named($name);
    }

    /**
     * @return list<Entry> in this order
     *
     * @throws NoSuchEntry
     */
    public function pick(string ...$names): array
    {
        return array_map($this->one(...), array_values($names));
    }
}
