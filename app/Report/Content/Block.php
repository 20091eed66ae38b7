<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/**
 * A paragraph, a table, a picture or a list of notes, with the notes that stand beside it. Its name within the report is what a remark
 * is tied to.
 */
final readonly class Block
{
    /**
     * @param array<string, mixed>       $told   what it is and what it holds
     * @param list<array<string, mixed>> $margin notes beside it
     */
    private function __construct(private string $name, private array $told, private array $margin = [])
    {
    }

    /** @param int<1, 3> $level */
    public static function heading(string $name, int $level, Line $line): self
    {
        return new self($name, ['kind' => 'heading', 'level' => $level, 'line' => $line->spans]);
    }

    public static function paragraph(string $name, Line $line): self
    {
        return new self($name, ['kind' => 'paragraph', 'line' => $line->spans]);
    }

    /** Texts of people: each line of it a paragraph. */
    public static function text(string $name, string $text): self
    {
        $lines = array_values(array_filter(array_map(trim(...), explode("\n", $text)), static fn (string $line): bool => $line !== ''));

        return new self($name, ['kind' => 'text', 'lines' => $lines]);
    }

    /**
     * @param list<string>     $head    empty where the first column says what stands in the second
     * @param list<list<Line>> $rows
     * @param list<int>        $numeric which columns hold numbers
     */
    public static function table(string $name, string $caption, array $head, array $rows, array $numeric = []): self
    {
        return new self($name, [
            'kind' => 'table',
            'caption' => $caption,
            'head' => $head,
            'rows' => array_map(
                static fn (array $row): array => array_map(static fn (Line $cell): array => $cell->spans, $row),
                $rows,
            ),
            'numeric' => $numeric,
        ]);
    }

    /**
     * @param string $svg   a whole element
     * @param string $words what is seen on it
     */
    public static function picture(string $name, string $svg, string $words): self
    {
        return new self($name, ['kind' => 'picture', 'svg' => $svg, 'words' => $words]);
    }

    /** A small picture beside words that say the same. */
    public static function sign(string $name, string $svg): self
    {
        return new self($name, ['kind' => 'sign', 'svg' => $svg]);
    }

    /**
     * Several that stand together, with the notes of all of them beside.
     *
     * @param list<self> $blocks
     */
    public static function group(string $name, array $blocks): self
    {
        return new self(
            $name,
            ['kind' => 'group', 'blocks' => array_map(static fn (self $block): array => $block->told(''), $blocks)],
            array_merge(...array_map(static fn (self $block): array => $block->margin, $blocks)),
        );
    }

    /** @param list<array<string, mixed>> $notes each with its number and its words */
    public static function notes(string $name, array $notes): self
    {
        return new self($name, ['kind' => 'notes', 'notes' => $notes]);
    }

    /** @param list<array<string, mixed>> $notes numbered ones, or such as a NoteBook gives */
    public function beside(array $notes): self
    {
        return new self($this->name, $this->told, [...$this->margin, ...$notes]);
    }

    /** A note without a number. */
    public function besides(Line $line): self
    {
        return $line->isEmpty() ? $this : $this->beside([['line' => $line->spans]]);
    }

    /**
     * @param string $part of which it is one
     *
     * @return array<string, mixed>
     */
    public function told(string $part): array
    {
        return ['id' => $part.'/'.$this->name, ...$this->told, 'margin' => $this->margin];
    }
}
