<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/**
 * An equation as a tree of terms, read from the way it is written: "TWA = L_c + k·lg(D/100)".
 *
 * Symbols are letters with an index behind a low line (L_exp); one whose index ends in i or j stands for a row of figures
 * (T_i: T₁, T₂ …). Products are written with a point, or with a space before a function or a sum (10 lg(x)). The catalogue of
 * equations is read once for the page and in the tests; what is worked out never reads it.
 */
final readonly class Expression
{
    private function __construct(private Term $term)
    {
    }

    /** @throws UnreadableExpression */
    public static function of(string $written): self
    {
        return new self((new Reading($written))->whole());
    }

    /** As it was written. */
    public function text(): string
    {
        return $this->term->text();
    }

    /** As presentation MathML, without the element that holds it. */
    public function mathml(): string
    {
        return $this->term->mathml();
    }

    /** @return list<string> its symbols as written, the one that it is an equation for first */
    public function symbols(): array
    {
        return $this->term->symbols();
    }

    /**
     * The symbol that figures of a row stand for: "T_i" for "T₁"; a symbol of one figure is its own.
     *
     * @param string $slot the name an input has in its derivation
     */
    public static function symbolOf(string $slot): string
    {
        return preg_match('/^(.+_[ij])[₀-₉]+$/u', $slot, $parts) === 1 ? $parts[1] : $slot;
    }
}
