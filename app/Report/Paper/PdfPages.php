<?php

declare(strict_types=1);

namespace Footnote\App\Report\Paper;

/**
 * A PDF as Chromium writes it: objects one after the other with one plain table of them, which is what makes several of them easy to
 * bind. Anything else is refused.
 */
final readonly class PdfPages
{
    /** What numbers of objects are written as, and what only looks like them: texts. */
    private const REFERENCES = '/\((?:[^()\\\\]++|\\\\.|(?R))*+\)|<[0-9A-Fa-f\s]*+>|\b(\d+) 0 R\b/s';

    /** @param array<int, string> $objects by number: what stands between "obj" and "endobj" */
    private function __construct(public array $objects, private int $root)
    {
    }

    /** @throws PrintFailed where it is not such a file */
    public static function read(string $path): self
    {
        $bytes = (string) file_get_contents($path);
        if (preg_match('/startxref\s+(\d+)\s+%%EOF\s*$/', substr($bytes, -64), $found) !== 1) {
            throw new PrintFailed('What was printed has no end.');
        }
        $table = substr($bytes, (int) $found[1]);
        if (preg_match('/^xref\n0 (\d+)\n/', $table, $size) !== 1 || preg_match('/\/Root (\d+) 0 R/', $table, $root) !== 1) {
            throw new PrintFailed('What was printed has no table of its objects.');
        }
        $offsets = [];
        for ($number = 1; $number < (int) $size[1]; ++$number) {
            $line = substr($table, \strlen($size[0]) + 20 * $number, 20);
            if ($line[17] === 'n') {
                $offsets[$number] = (int) substr($line, 0, 10);
            }
        }
        asort($offsets);
        $ends = [...\array_slice(array_values($offsets), 1), (int) $found[1]];
        $objects = [];
        foreach (array_keys($offsets) as $place => $number) {
            $object = substr($bytes, $offsets[$number], $ends[$place] - $offsets[$number]);
            $begin = $number." 0 obj\n";
            $end = strrpos($object, 'endobj');
            if (!str_starts_with($object, $begin) || $end === false) {
                throw new PrintFailed(\sprintf('Object %d of what was printed does not stand where it is told.', $number));
            }
            $objects[$number] = rtrim(substr($object, \strlen($begin), $end - \strlen($begin)), "\n");
        }

        ksort($objects);

        return new self($objects, (int) $root[1]);
    }

    /** The highest number of its objects. */
    public function last(): int
    {
        return (int) array_key_last($this->objects);
    }

    public function count(): int
    {
        return (int) $this->entry($this->named('Pages'), 'Count');
    }

    /** The object that the catalogue names: Pages, Outlines, StructTreeRoot, Dests; 0 where it names none. */
    public function named(string $entry): int
    {
        return (int) $this->entry($this->root, $entry);
    }

    /** What an object says under a name: a number, or that of an object; empty where it says nothing. */
    public function entry(int $object, string $name): string
    {
        return preg_match('/\/'.$name.' (\d+)\b/', $this->objects[$object] ?? '', $found) === 1 ? $found[1] : '';
    }

    /** @return list<int> the objects of its pages, in their order */
    public function pages(): array
    {
        return $this->under($this->named('Pages'));
    }

    /** @return array<string, int> on which of its pages, from 1, each place that a link leads to lies */
    public function places(): array
    {
        $pages = array_flip($this->pages());
        $places = [];
        preg_match_all('/\/(\S+) \[(\d+) 0 R /', $this->objects[$this->named('Dests')] ?? '', $found, \PREG_SET_ORDER);
        foreach ($found as [, $name, $page]) {
            $places[$name] = ($pages[(int) $page] ?? 0) + 1;
        }

        return $places;
    }

    /**
     * An object with other numbers for those that it names.
     *
     * @param \Closure(int): int $numbered
     */
    public static function renumbered(string $object, \Closure $numbered): string
    {
        $stream = strpos($object, ">> stream\n");
        $told = $stream === false ? $object : substr($object, 0, $stream);
        $told = preg_replace_callback(
            self::REFERENCES,
            static fn (array $found): string => isset($found[1]) ? $numbered((int) $found[1]).' 0 R' : $found[0],
            $told,
        ) ?? throw new PrintFailed('What was printed cannot be read.');

        return $stream === false ? $told : $told.substr($object, $stream);
    }

    /** @return list<int> */
    private function under(int $node): array
    {
        $object = $this->objects[$node] ?? '';
        if (!str_contains($object, '/Type /Pages')) {
            return [$node];
        }
        preg_match('/\/Kids \[([^\]]*)\]/', $object, $found);
        preg_match_all('/(\d+) 0 R/', $found[1] ?? '', $kids);

        return array_merge(...array_map(fn (string $kid): array => $this->under((int) $kid), $kids[1]));
    }
}
