<?php

declare(strict_types=1);

namespace Footnote\App\Http;

use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** A sheet that was laid down as a whole, sent as a file: what cannot be read to its end is no table. */
final class SheetResponse
{
    public static function of(\SplFileObject $sheet, string $name): Response
    {
        return new StreamedResponse(static function () use ($sheet): void {
            $sheet->rewind();
            $sheet->fpassthru();
        }, 200, ['Content-Type' => 'text/csv; charset=utf-8', 'Content-Disposition' => 'attachment; filename="'.$name.'"']);
    }
}
