<?php

declare(strict_types=1);

namespace Footnote\App\Http\Kit;

use Footnote\App\Logbook\Kit;
use Footnote\App\Refusal\Problem;
use Footnote\App\Shown\TraitsLine;
use Footnote\App\Storage\Cells;
use Footnote\Core\Record\Fields;
use Footnote\Core\Record\Formats;
use Footnote\Core\Record\Shelf;

/** The libraries with all their entries: what comes with Footnote, and own ones over it. */
final readonly class LibraryPresenter
{
    public function __construct(private Kit $kit, private Formats $families)
    {
    }

    /** @return array<string, mixed> */
    public function all(): array
    {
        return ['shelves' => array_map($this->shelf(...), array_values($this->families->shelves()))];
    }

    /** @return array<string, mixed> */
    private function shelf(Shelf $shelf): array
    {
        $items = [];
        foreach ($shelf->shipped as $record) {
            $items[Cells::text($record, 'code')] = self::item($shelf, $record, '');
        }
        foreach ($this->kit->entries($shelf->id) as ['code' => $code, 'record' => $record, 'by' => $by]) {
            $items[$code] = self::item($shelf, $shelf->over($record), $by);
        }
        ksort($items);

        return ['id' => $shelf->id, 'title' => $shelf->title, 'one' => $shelf->one, 'items' => array_values($items)];
    }

    /**
     * @param array<string, mixed> $record
     *
     * @return array<string, mixed>
     */
    private static function item(Shelf $shelf, array $record, string $by): array
    {
        return [
            'code' => Cells::text($record, 'code'),
            'name' => Cells::text($record, 'name'),
            'by' => $by,
            'traits' => TraitsLine::shown($shelf->read(Fields::of($record)), $shelf->entries),
        ];
    }

    /** @return array<string, mixed> one entry as it stands in the record format */
    public function entry(string $shelf, string $code): array
    {
        $on = $this->families->shelf($shelf) ?? throw Problem::missing('The library '.$shelf);
        foreach ($this->kit->entries($shelf) as $own) {
            if ($own['code'] === $code) {
                return $on->over($own['record']);
            }
        }
        foreach ($on->shipped as $record) {
            if (Cells::text($record, 'code') === $code) {
                return $record;
            }
        }

        throw Problem::missing('The entry '.$code);
    }
}
