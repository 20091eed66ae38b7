<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation\Expression;

/** A part of an expression: it prints itself as it was written, and as MathML, in which every symbol is a slot. */
interface Term
{
    public function text(): string;

    /** Presentation MathML; a symbol is a <code>mrow data-slot</code>, a sum over an index a <code>mrow data-series</code>. */
    public function mathml(): string;

    /** @return list<string> the symbols in it, as written, in their order, each once */
    public function symbols(): array;
}
