<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A term in brackets, round or square. */
final readonly class Bracketed implements Term
{
    public function __construct(private Term $within, private string $opens, private string $closes)
    {
    }

    /** What stands in the brackets, where a bar or a root holds it together already. */
    public static function bare(Term $term): Term
    {
        return $term instanceof self ? $term->within : $term;
    }

    public function text(): string
    {
        return $this->opens.$this->within->text().$this->closes;
    }

    public function mathml(): string
    {
        return \sprintf('<mrow><mo>%s</mo>%s<mo>%s</mo></mrow>', $this->opens, $this->within->mathml(), $this->closes);
    }

    public function symbols(): array
    {
        return $this->within->symbols();
    }
}
