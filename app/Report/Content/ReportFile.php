<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

use Footnote\App\Refusal\Problem;
use Footnote\App\Storage\Cells;
use Footnote\App\Storage\JsonLines;

/** All that a report says, laid down in a file: read part by part. */
final readonly class ReportFile
{
    public function __construct(public string $path)
    {
    }

    /** @return array<string, mixed> what it is, and its parts in their order */
    public function head(): array
    {
        foreach ($this->lines() as $line) {
            return JsonLines::read($line);
        }

        throw new \RuntimeException('A report without a beginning.');
    }

    /** @return list<string> that it tells of, in their order */
    public function runs(): array
    {
        $parts = array_map(static fn (array $part): string => Cells::text($part, 'part'), Cells::rows($this->head(), 'parts'));
        $runs = array_filter($parts, static fn (string $part): bool => str_starts_with($part, 'run:'));

        return array_values(array_map(static fn (string $part): string => substr($part, 4), $runs));
    }

    /** @return \Generator<int, array<string, mixed>> */
    public function parts(): \Generator
    {
        foreach ($this->raw() as $line) {
            yield JsonLines::read($line);
        }
    }

    /** @return \Generator<int, string> the parts, as they are written */
    public function raw(): \Generator
    {
        foreach ($this->lines() as $place => $line) {
            if ($place > 0) {
                yield $line;
            }
        }
    }

    /** @return array<string, mixed> */
    public function part(string $name): array
    {
        $begin = '{"part":'.json_encode($name, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES).',';
        foreach ($this->lines() as $line) {
            if (str_starts_with($line, $begin)) {
                return JsonLines::read($line);
            }
        }

        throw Problem::missing('Part '.$name.' of this report');
    }

    /**
     * The words of a block, without its notes.
     *
     * @throws Problem where it has no such block
     */
    public function words(string $block): string
    {
        $part = $this->part((string) strstr($block, '/', true));
        foreach (Cells::rows($part, 'blocks') as $one) {
            if (Cells::text($one, 'id') === $block) {
                return mb_strimwidth(self::said($one), 0, 300, '…');
            }
        }

        throw Problem::missing('Paragraph '.$block.' of this report');
    }

    /** @param array<string, mixed> $block */
    private static function said(array $block): string
    {
        return implode('', array_map(static fn (array $span): string => Cells::text($span, 'text'), Cells::rows($block, 'line')))
            .implode(' ', Cells::texts($block, 'lines')).Cells::text($block, 'words').implode(', ', Cells::texts($block, 'head'))
            .implode(' ', array_map(self::said(...), Cells::rows($block, 'blocks')));
    }

    public function digest(): string
    {
        return (string) hash_file('sha256', $this->path);
    }

    /** @return \Generator<int, string> */
    private function lines(): \Generator
    {
        return (new JsonLines($this->path))->written();
    }
}
