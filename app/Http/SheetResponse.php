<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Footnote\App\Report\Column;
use Footnote\App\Report\CsvSheet;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A table sent as a file, laid down as a whole before anything is sent: what cannot be read to its end is no table. */
final class SheetResponse
{
    /**
     * @param Request                          $request which may ask for decimal commas
     * @param non-empty-list<Column>           $columns
     * @param iterable<array<string, string>>  $lines   cells by column
     */
    public static function of(Request $request, string $name, array $columns, iterable $lines): Response
    {
        $file = new \SplTempFileObject(CsvSheet::IN_MEMORY);
        $sheet = new CsvSheet($file, $columns, $request->query->getString('decimal') === 'comma');
        foreach ($lines as $line) {
            $sheet->add($line);
        }

        return new StreamedResponse(static function () use ($file): void {
            $file->rewind();
            $file->fpassthru();
        }, 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="'.$name.'"']);
    }
}
