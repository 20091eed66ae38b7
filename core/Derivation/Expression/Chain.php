<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** Terms with signs between them: sums, products, equations. */
final readonly class Chain implements Term
{
    use Gathering;

    /** How a sign is drawn where it is not drawn as it is written. */
    private const DRAWN = ['·' => '<mo>⋅</mo>', ' ' => '<mo>&#x2062;</mo>'];

    /**
     * @param non-empty-list<Term> $terms
     * @param list<string>         $signs between neighbours; " " for a product that is written without a sign
     */
    public function __construct(private array $terms, private array $signs)
    {
    }

    public function text(): string
    {
        $text = $this->terms[0]->text();
        foreach ($this->signs as $place => $sign) {
            $text .= match ($sign) {
                '·', ' ' => $sign,
                default => ' '.$sign.' ',
            }.$this->terms[$place + 1]->text();
        }

        return $text;
    }

    public function mathml(): string
    {
        $drawn = $this->terms[0]->mathml();
        foreach ($this->signs as $place => $sign) {
            $drawn .= (self::DRAWN[$sign] ?? '<mo>'.htmlspecialchars($sign).'</mo>').$this->terms[$place + 1]->mathml();
        }

        return '<mrow>'.$drawn.'</mrow>';
    }

    public function symbols(): array
    {
        return self::of(...$this->terms);
    }
}
