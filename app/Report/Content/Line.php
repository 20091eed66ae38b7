<?php

declare(strict_types=1);

namespace Footnote\App\Report\Content;

/**
 * Words of a report with what stands among them: figures, marks of notes, equations, signs of verdicts and brackets.
 *
 * @phpstan-type Span array<string, mixed>
 */
final readonly class Line
{
    /** @param list<Span> $spans */
    private function __construct(public array $spans)
    {
    }

    public static function of(string $text = ''): self
    {
        return (new self([]))->text($text);
    }

    public function text(string $text): self
    {
        return $text === '' ? $this : $this->with(['text' => $text]);
    }

    public function strong(string $text): self
    {
        return $this->as('strong', $text);
    }

    public function soft(string $text): self
    {
        return $this->as('soft', $text);
    }

    /** A number that does not stand. */
    public function struck(string $text): self
    {
        return $this->as('struck', $text);
    }

    /** The number that is reported. */
    public function reported(string $text): self
    {
        return $this->as('reported', $text);
    }

    /** "L_Aeq" with its index below the line. */
    public function symbol(string $symbol): self
    {
        return $this->as('symbol', $symbol);
    }

    /** A title that may hold a symbol: "L_EX,8h of the working day". */
    public function named(string $title): self
    {
        $line = $this;
        $parts = preg_split('/([LT]_[A-Za-z0-9,]*[A-Za-z0-9])/', $title, -1, \PREG_SPLIT_DELIM_CAPTURE);
        foreach ($parts === false ? [$title] : $parts as $place => $part) {
            $line = $place % 2 === 1 ? $line->symbol($part) : $line->text($part);
        }

        return $line;
    }

    /** @param string $written an equation as the core writes it */
    public function equation(string $written): self
    {
        return $this->with(['equation' => $written]);
    }

    public function mark(int $note): self
    {
        return $this->with(['mark' => $note]);
    }

    public function verdict(string $verdict): self
    {
        return $this->with(['verdict' => $verdict]);
    }

    /** @param array<mixed> $bracket as an assessment writes it */
    public function bracket(array $bracket, bool $struck): self
    {
        $between = $bracket['between'] ?? [];

        return $this->with(['bracket' => [
            'state' => $bracket['state'] ?? '',
            'pre' => ($bracket['pre'] ?? null) !== null,
            'post' => ($bracket['post'] ?? null) !== null,
            'between' => \is_array($between) ? \count($between) : 0,
            'struck' => $struck,
        ]]);
    }

    public function then(self $other): self
    {
        return new self([...$this->spans, ...$other->spans]);
    }

    public function isEmpty(): bool
    {
        return $this->spans === [];
    }

    private function as(string $how, string $text): self
    {
        return $text === '' ? $this : $this->with(['text' => $text, 'as' => $how]);
    }

    /** @param Span $span */
    private function with(array $span): self
    {
        return new self([...$this->spans, $span]);
    }
}
