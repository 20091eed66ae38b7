<?php

declare(strict_types=1);

namespace Footnote\App\Kit;

use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Utf8;
use Symfony\Component\DependencyInjection\Attribute\Exclude;

/** A table as a text: comma, semicolon or tab between cells, as its first line has most of; quoted cells may hold line ends. */
#[Exclude]
final class TableText
{
    private const LARGEST = 524288;

    /** @return list<list<string>> */
    public static function rows(string $text): array
    {
        if (\strlen($text) > self::LARGEST) {
            throw new Problem(413, 'The table is larger than 512 kB.');
        }
        if (str_contains($text, "\0")) {
            throw new Problem(422, 'The file is not text. Save the sheet as CSV; nothing was kept.');
        }
        $bare = Utf8::ofFile($text);
        $first = strtok($bare, "\r\n");
        $counts = ($first === false ? [] : [
            ',' => substr_count($first, ','),
            ';' => substr_count($first, ';'),
            "\t" => substr_count($first, "\t"),
        ]);
        arsort($counts);
        $delimiter = array_key_first($counts) ?? ',';
        $stream = fopen('php://memory', 'r+');
        \assert(\is_resource($stream));
        fwrite($stream, $bare);
        rewind($stream);
        $rows = [];
        while (($cells = fgetcsv($stream, null, $delimiter, '"', '')) !== false) {
            $rows[] = array_map(static fn (?string $cell): string => $cell ?? '', $cells);
        }
        fclose($stream);

        return $rows;
    }
}
