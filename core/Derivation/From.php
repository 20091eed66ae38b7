<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** Where a figure is from: an equation and its inputs, or the evidence it was read from; of a column of a log both. */
final readonly class From
{
    /**
     * @param array<string, Figure> $inputs by the symbol that each stands for
     */
    public function __construct(
        public ?Equation $equation,
        public array $inputs,
        public ?Origin $origin,
    ) {
    }
}
