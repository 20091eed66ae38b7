<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Footnote\App\Storage\RecordFile;

/** Lines of a laboratory's file, whatever it is encoded in. */
final class FileLines
{
    /** @return \Generator<int, string> lines in UTF-8 */
    public static function of(string $path): \Generator
    {
        foreach (RecordFile::linesOf($path) as $line) {
            yield self::utf8($line);
        }
    }

    public static function utf8(string $text): string
    {
        return mb_check_encoding($text, 'UTF-8') ? $text : (string) iconv('Windows-1252', 'UTF-8//IGNORE', $text);
    }
}
