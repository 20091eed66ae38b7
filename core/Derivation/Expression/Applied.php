<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A named function of some terms, such as lg(x) or line(τ; t_i, o_i); docs/methods.md says what each is. */
final readonly class Applied implements Term
{
    use Gathering;

    public const NAMES = [
        'lg', 'ln', 'exp', 'abs', 'ceil', 'mean', 'sd', 'count', 'max', 'min', 'least', 'most', 'counts', 'above', 'below',
        'line', 'avg', 'integral', 'window', 'hollow', 'lower', 'upper', 'slope', 'intercept', 'correlation', 'A', 'C',
        'garwoodLow', 'garwoodHigh', 'poissonUpper',
    ];

    /**
     * @param non-empty-list<Term> $arguments
     * @param list<string>         $signs between them, "," or ";"
     * @param bool                 $bare  a single argument without brackets: lg 2
     */
    public function __construct(private string $name, private array $arguments, private array $signs, private bool $bare = false)
    {
    }

    public function text(): string
    {
        $within = $this->arguments[0]->text();
        foreach ($this->signs as $place => $sign) {
            $within .= $sign.' '.$this->arguments[$place + 1]->text();
        }

        return $this->bare ? $this->name.' '.$within : $this->name.'('.$within.')';
    }

    public function mathml(): string
    {
        $within = $this->arguments[0]->mathml();
        foreach ($this->signs as $place => $sign) {
            $within .= '<mo separator="true">'.$sign.'</mo>'.$this->arguments[$place + 1]->mathml();
        }

        return \sprintf(
            $this->bare ? '<mrow><mi>%s</mi><mo>&#x2061;</mo>%s</mrow>' : '<mrow><mi>%s</mi><mo>&#x2061;</mo><mo>(</mo>%s<mo>)</mo></mrow>',
            $this->name,
            $within,
        );
    }

    public function symbols(): array
    {
        return self::of(...$this->arguments);
    }
}
