<?php

declare(strict_types=1);

namespace Footnote\App\Storage;

/** A file of lines, each an object as JSON: written and read one after the other, so that there may be many. */
final readonly class JsonLines
{
    private const DEPTH = 64;

    public function __construct(public string $path)
    {
    }

    /** @param array<string, mixed> $told */
    public static function line(array $told): string
    {
        return json_encode($told, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES)."\n";
    }

    /** @return array<string, mixed> */
    public static function read(string $line): array
    {
        /** @var array<string, mixed> */
        return json_decode($line, true, self::DEPTH, \JSON_THROW_ON_ERROR);
    }

    /** @return \Generator<int, string> as they are written, by their place from 0 */
    public function written(): \Generator
    {
        $file = new \SplFileObject($this->path);
        for ($place = 0; !$file->eof(); ++$place) {
            $line = $file->fgets();
            if ($line !== '') {
                yield $place => $line;
            }
        }
    }
}
