<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** A sentence, and the figures whose numbers stand in it. */
final readonly class Sentence implements \Stringable
{
    /** @param list<Figure> $figures */
    private function __construct(public string $words, public array $figures)
    {
    }

    /** @param Figure|null ...$figures in the order in which their numbers stand; null: there is none */
    public static function of(string $words, ?Figure ...$figures): self
    {
        return new self($words, array_values(array_filter($figures, static fn (?Figure $one): bool => $one !== null)));
    }

    /** The same with more of it behind. */
    public function then(string|self $more): self
    {
        return $more instanceof self
            ? new self($this->words.$more->words, [...$this->figures, ...$more->figures])
            : new self($this->words.$more, $this->figures);
    }

    /**
     * Sentences, some of which name no figure.
     *
     * @param array<array-key, string|self> $sentences
     *
     * @return list<self>
     */
    public static function each(array $sentences): array
    {
        return array_values(array_map(static fn (string|self $one): self => $one instanceof self ? $one : new self($one, []), $sentences));
    }

    public function __toString(): string
    {
        return $this->words;
    }
}
