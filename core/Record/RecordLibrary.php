<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;

/** The library of one record: its shelves stand in the record itself, over what comes with Footnote. */
final readonly class RecordLibrary implements Library
{
    /** @param array<string, array<string, Traits>> $shelves entries by shelf and code */
    private function __construct(private array $shelves)
    {
    }

    /** @param iterable<Shelf> $known the shelves that families keep */
    public static function of(Fields $record, iterable $known): self
    {
        $library = $record->optionalObject('library');
        $shelves = [];
        foreach ($known as $shelf) {
            $own = [];
            foreach ($library?->objects($shelf->id) ?? [] as $item) {
                $code = $item->id('code');
                if (isset($own[$code])) {
                    throw new InvalidRecord($item->at('code'), 'stands twice.');
                }
                $own[$code] = $shelf->read(Fields::of($shelf->over($item->data()), $item->path));
            }
            $shelves[$shelf->id] = [...$shelf->shipped(), ...$own];
        }

        return new self($shelves);
    }

    public function find(string $shelf, string $code): ?Traits
    {
        return $this->shelves[$shelf][$code] ?? null;
    }
}
