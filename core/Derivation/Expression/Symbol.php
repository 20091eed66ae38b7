<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A symbol such as L_exp or T_i: what stands for a figure. */
final readonly class Symbol implements Term
{
    /** The moment that runs in a mean or an integral over time, and the number π: no figure stands for them. */
    private const OWN = ['τ', 'π'];

    public function __construct(private string $name)
    {
    }

    public function text(): string
    {
        return $this->name;
    }

    public function mathml(): string
    {
        $parts = explode('_', $this->name, 2);
        $index = $parts[1] ?? null;
        $letter = '<mi>'.htmlspecialchars($parts[0]).'</mi>';
        $drawn = $index === null ? $letter : \sprintf('<msub>%s<mi>%s</mi></msub>', $letter, htmlspecialchars($index));

        return \in_array($this->name, self::OWN, true)
            ? $drawn
            : \sprintf('<mrow data-slot="%s">%s</mrow>', htmlspecialchars($this->name), $drawn);
    }

    public function symbols(): array
    {
        return \in_array($this->name, self::OWN, true) ? [] : [$this->name];
    }
}
