<?php

declare(strict_types=1);

namespace Footnote\App\Laboratory;

use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\RecordFile;
use Footnote\App\Storage\Utf8;

/** Lines of a laboratory's file, whatever it is encoded in. */
final class FileLines
{
    /**
     * @return \Generator<int, string> lines in UTF-8
     *
     * @throws Problem where one is no text
     */
    public static function of(string $path): \Generator
    {
        $number = 0;
        foreach (RecordFile::linesOf($path) as $line) {
            ++$number;
            if (str_contains($line, "\0")) {
                throw new Problem(
                    422,
                    \sprintf('The file is not text: line %d holds a NUL. Save the sheet as CSV; nothing was kept.', $number),
                );
            }
            yield Utf8::of($line);
        }
    }
}
