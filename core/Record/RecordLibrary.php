<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

use Footnote\Core\Evidence\Traits;

/** The library of one record: shelves, laboratory reports and blanks stand in the record itself. */
final readonly class RecordLibrary implements Library
{
    /**
     * @param array<string, array<string, Traits>> $shelves
     * @param array<string, list<Fields>>          $reported by medium
     * @param list<Fields>                         $blanks
     * @param array<string, list<string>>          $users    runs by medium
     */
    private function __construct(private array $shelves, private array $reported, private array $blanks, private array $users)
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
        $reported = [];
        foreach ($record->objects('laboratory') as $report) {
            self::said($report);
            $seen = [];
            foreach ($report->objects('rows') as $row) {
                // Only a later report takes the place of an earlier one; within one report a person says which row counts.
                $key = $row->text('medium')."\0".$row->text('analyte');
                if (isset($seen[$key])) {
                    throw new InvalidRecord(
                        $row->at('medium'),
                        \sprintf(
                            '%s on %s stands in this report twice: say which row counts, or give their mean.',
                            $row->text('analyte'),
                            $row->text('medium'),
                        ),
                    );
                }
                $seen[$key] = true;
                $reported[$row->text('medium')][] = self::row($report, $row);
            }
        }

        $users = [];
        foreach ($record->objects('runs') as $run) {
            $medium = $run->optionalText('medium');
            if ($medium !== null && $medium !== '') {
                $users[$medium][] = $run->text('id');
            }
        }

        foreach ($record->objects('blanks') as $blank) {
            $blank->text('medium');
            $blank->oneOf('kind', 'field', 'media');
            $blank->optionalText('note');
        }

        return new self($shelves, $reported, $record->objects('blanks'), $users);
    }

    /** What a report says of all its rows. */
    private static function said(Fields $report): void
    {
        $report->id('id');
        $report->text('number');
        $report->text('laboratory');
        foreach (['blankCorrected', 'desorptionCorrected'] as $name) {
            $report->oneOf($name, 'yes', 'no', 'unknown');
        }
        if ($report->has('received')) {
            $report->day('received');
        }
    }

    /** A row as it is looked up: what its report says of all rows stands in it. */
    public static function row(Fields $report, Fields $row): Fields
    {
        return Fields::of(
            [...$report->only('id', 'number', 'laboratory', 'received', 'blankCorrected', 'desorptionCorrected'), ...$row->data()],
            $row->path,
        );
    }

    public function find(string $shelf, string $code): ?Traits
    {
        return $this->shelves[$shelf][$code] ?? null;
    }

    public function reported(string $medium): array
    {
        return $this->reported[$medium] ?? [];
    }

    public function usedBy(string $medium): array
    {
        return $this->users[$medium] ?? [];
    }

    public function blanks(): array
    {
        return $this->blanks;
    }
}
