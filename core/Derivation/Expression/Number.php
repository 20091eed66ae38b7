<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A number as it is written. */
final readonly class Number implements Term
{
    public function __construct(private string $written)
    {
    }

    public function text(): string
    {
        return $this->written;
    }

    public function mathml(): string
    {
        return '<mn>'.$this->written.'</mn>';
    }

    public function symbols(): array
    {
        return [];
    }
}
