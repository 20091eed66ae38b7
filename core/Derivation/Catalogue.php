<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

use Footnote\Core\Derivation\Expression\Expression;

/** All equations that a figure may name, each with the way it is written and typeset. */
final readonly class Catalogue
{
    /** @param list<Equation> $equations */
    public function __construct(public array $equations)
    {
    }

    /** @return list<array{id: string, expression: string, mathml: string, source: string, mark: string}> */
    public function entries(): array
    {
        return array_map(
            static fn (Equation $equation): array => [
                'id' => $equation->id(),
                'expression' => $equation->expression(),
                'mathml' => Expression::of($equation->expression())->mathml(),
                'source' => $equation->source(),
                'mark' => $equation->mark()->value,
            ],
            $this->equations,
        );
    }
}
