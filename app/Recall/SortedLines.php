<?php

declare(strict_types=1);

namespace Footnote\App\Recall;

/** Lines that come in one order and are wanted in another: they lie in a file, and only where each begins is held. */
final class SortedLines
{
    private readonly \SplTempFileObject $file;

    /** @var list<array{list<string>, int}> by what each is put in order, and where it begins */
    private array $places = [];

    public function __construct()
    {
        $this->file = new \SplTempFileObject(8_000_000);
    }

    /**
     * @param list<string> $order
     * @param string       $line  ends with a line feed, and holds no other
     */
    public function add(array $order, string $line): void
    {
        $this->places[] = [$order, (int) $this->file->ftell()];
        $this->file->fwrite($line);
    }

    /** @return \Generator<int, string> */
    public function sorted(): \Generator
    {
        usort($this->places, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($this->places as [, $begin]) {
            $this->file->fseek($begin);
            yield $this->file->fgets();
        }
    }
}
