<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A base to the power of a term, written with ^ or as a raised two or three. */
final readonly class Power implements Term
{
    use Gathering;

    private const RAISED = ['²' => '2', '³' => '3'];

    /** @param string $mark "^", or the raised digit itself, which stands in the place of the exponent */
    public function __construct(private Term $base, private Term $exponent, private string $mark)
    {
    }

    public static function raised(Term $base, string $digit): self
    {
        return new self($base, new Number(self::RAISED[$digit]), $digit);
    }

    public function text(): string
    {
        return $this->base->text().$this->mark.($this->mark === '^' ? $this->exponent->text() : '');
    }

    public function mathml(): string
    {
        $exponent = Bracketed::bare($this->exponent);

        return \sprintf(
            '<msup><mrow>%s</mrow>%s</msup>',
            $this->base->mathml(),
            $exponent instanceof Fraction ? $exponent->linear() : $exponent->mathml(),
        );
    }

    public function symbols(): array
    {
        return self::of($this->base, $this->exponent);
    }
}
