<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** One term over another. */
final readonly class Fraction implements Term
{
    use Gathering;

    public function __construct(private Term $above, private Term $below)
    {
    }

    public function text(): string
    {
        return $this->above->text().'/'.$this->below->text();
    }

    public function mathml(): string
    {
        return \sprintf('<mfrac>%s%s</mfrac>', Bracketed::bare($this->above)->mathml(), Bracketed::bare($this->below)->mathml());
    }

    /** On one line, as it stands in an exponent. */
    public function linear(): string
    {
        return \sprintf('<mrow>%s<mo>/</mo>%s</mrow>', $this->above->mathml(), $this->below->mathml());
    }

    public function symbols(): array
    {
        return self::of($this->above, $this->below);
    }
}
