<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** Where a figure is from: an equation and its inputs, or the evidence it was read from. */
final readonly class From
{
    /**
     * @param list<Figure> $inputs
     */
    public function __construct(
        public ?Equation $equation,
        public array $inputs,
        public ?Origin $origin,
    ) {
    }
}
