<?php

declare(strict_types=1);

namespace Footnote\App\Report;

/**
 * A table as CSV in UTF-8: with points and commas, or with decimal commas and semicolons. Text that a spreadsheet could take for a
 * formula is led by an apostrophe.
 */
final readonly class CsvSheet
{
    /** Between several things in one cell. */
    public const NEXT = ' | ';

    /** Bytes of a sheet that are held in memory; the rest lies in a file. */
    public const IN_MEMORY = 8_000_000;

    /**
     * @param \SplFileObject         $file       that it is written to
     * @param non-empty-list<Column> $columns
     * @param bool                   $withCommas whether numbers are written with a decimal comma
     */
    public function __construct(private \SplFileObject $file, private array $columns, private bool $withCommas)
    {
        $this->put(array_map(static fn (Column $column): string => $column->name, $columns));
    }

    /** @param array<string, string> $cells by column; what is not there is empty */
    public function add(array $cells): void
    {
        $this->put(array_map(fn (Column $column): string => $this->cell($column, $cells[$column->name] ?? ''), $this->columns));
    }

    private function cell(Column $column, string $cell): string
    {
        if ($column->type === Column::NUMBER) {
            return $this->withCommas ? str_replace('.', ',', $cell) : $cell;
        }

        return preg_match('/^[=+\-@\t\r]/', $cell) === 1 ? "'".$cell : $cell;
    }

    /** @param list<string> $cells */
    private function put(array $cells): void
    {
        if ($this->file->fputcsv($cells, $this->withCommas ? ';' : ',', '"', '') === false) {
            throw new \RuntimeException('The sheet could not be laid down.');
        }
    }
}
