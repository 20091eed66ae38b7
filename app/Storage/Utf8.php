<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

/** Text in UTF-8, whatever it came in: what is no UTF-8 is taken for Windows-1252. */
final class Utf8
{
    public static function of(string $text): string
    {
        return mb_check_encoding($text, 'UTF-8') ? $text : (string) iconv('Windows-1252', 'UTF-8//IGNORE', $text);
    }

    /** Of a whole file, without the mark that some programs set at its beginning. */
    public static function ofFile(string $text): string
    {
        return self::of(str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text);
    }
}
