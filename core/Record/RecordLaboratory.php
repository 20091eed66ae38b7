<?php

declare(strict_types=1);

namespace Footnote\Core\Record;

/** The laboratory of one record: reports and blanks stand in the record itself. */
final readonly class RecordLaboratory implements Laboratory
{
    /**
     * @param array<array-key, list<Fields>> $reported by medium
     * @param list<Fields>                   $blanks
     * @param array<array-key, list<string>> $users    runs by medium
     */
    private function __construct(private array $reported, private array $blanks, private array $users)
    {
    }

    /** @throws InvalidRecord naming the field */
    public static function of(Fields $record): self
    {
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

        return new self($reported, $record->objects('blanks'), $users);
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
        $report->flag('simulated');
    }

    /** A row as it is looked up: what its report says of all rows stands in it. */
    public static function row(Fields $report, Fields $row): Fields
    {
        return Fields::of(
            [
                ...$report->only('id', 'number', 'laboratory', 'received', 'blankCorrected', 'desorptionCorrected', 'simulated'),
                ...$row->data(),
            ],
            $row->path,
        );
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
