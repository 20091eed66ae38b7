<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** An equation of the trade, named by its identifier in docs/methods.md. */
interface Equation
{
    /** Its identifier, such as "N-5". */
    public function id(): string;

    /** The equation as it is printed. */
    public function expression(): string;

    /** The publication or practice it comes from. */
    public function source(): string;

    public function mark(): SourceMark;
}
