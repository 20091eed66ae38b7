<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Evidence\LogOrigin;

/** A file with a log as a unit wrote it: opened anew each time it is read. */
final readonly class LogFile
{
    /** The most of its head that is kept, bytes. */
    private const HEAD = 4096;

    /** @param \Closure(): iterable<string> $lines with their line ends */
    public function __construct(public string $name, public string $sha256, private \Closure $lines)
    {
    }

    public static function ofText(string $name, string $text): self
    {
        return new self(
            $name,
            hash('sha256', $text),
            static fn (): array => array_map(static fn (string $line): string => $line."\n", explode("\n", rtrim($text))),
        );
    }

    /** @return iterable<string> */
    public function lines(): iterable
    {
        return ($this->lines)();
    }

    /** @param int $skip lines before the first line of data */
    public function origin(int $skip): LogOrigin
    {
        $head = '';
        foreach ($this->lines() as $line) {
            if (--$skip < 0 || \strlen($head) >= self::HEAD) {
                break;
            }
            $head .= $line;
        }
        $text = mb_check_encoding($head, 'UTF-8') ? $head : mb_convert_encoding($head, 'UTF-8', 'Windows-1252');

        return new LogOrigin($this->name, $this->sha256, str_replace("\0", ' ', mb_strcut($text, 0, self::HEAD, 'UTF-8')));
    }
}
