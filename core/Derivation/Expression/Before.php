<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A sign before a term: minus, a root, a sum over an index. */
final readonly class Before implements Term
{
    public function __construct(private string $sign, private Term $term)
    {
    }

    public function text(): string
    {
        return $this->sign.($this->sign === 'Σ' ? ' ' : '').$this->term->text();
    }

    public function mathml(): string
    {
        return match ($this->sign) {
            '√' => '<msqrt>'.Bracketed::bare($this->term)->mathml().'</msqrt>',
            'Σ' => '<mrow data-series=""><mo>∑</mo>'.$this->term->mathml().'</mrow>',
            default => \sprintf('<mrow><mo>%s</mo>%s</mrow>', $this->sign, $this->term->mathml()),
        };
    }

    public function symbols(): array
    {
        return $this->term->symbols();
    }
}
