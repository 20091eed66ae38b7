<?php

declare(strict_types=1);

namespace Footnote\App\Report;

/**
 * Lines of a table as CSV in UTF-8: with points and commas, or with decimal commas and semicolons. Text that a spreadsheet could take
 * for a formula is led by an apostrophe.
 */
final readonly class CsvSheet
{
    /**
     * @param non-empty-list<Column> $columns
     * @param bool                   $withCommas whether numbers are written with a decimal comma
     */
    public function __construct(private array $columns, private bool $withCommas = false)
    {
    }

    public function head(): string
    {
        return $this->line(array_map(static fn (Column $column): string => $column->name, $this->columns));
    }

    /** @param array<string, string> $cells by column; what is not there is empty */
    public function row(array $cells): string
    {
        return $this->line(array_map(fn (Column $column): string => $this->cell($column, $cells[$column->name] ?? ''), $this->columns));
    }

    private function cell(Column $column, string $cell): string
    {
        if ($column->type === Column::NUMBER) {
            return $this->withCommas ? str_replace('.', ',', $cell) : $cell;
        }

        return preg_match('/^[=+\-@\t\r]/', $cell) === 1 ? "'".$cell : $cell;
    }

    /** @param list<string> $cells */
    private function line(array $cells): string
    {
        $file = fopen('php://memory', 'w+');
        if ($file === false) {
            throw new \RuntimeException('No stream in memory could be opened.');
        }
        fputcsv($file, $cells, $this->withCommas ? ';' : ',', '"', '');
        rewind($file);

        return (string) stream_get_contents($file);
    }
}
