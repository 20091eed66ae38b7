<?php

declare(strict_types=1);

namespace Footnote\Core\Quantity;

/**
 * A unit of figures and readings, by the symbol that is printed. What any family may read stands in CommonUnit; a family
 * brings what only its instruments show as an enum of its own.
 *
 * @property-read string $value the symbol
 */
interface Unit extends \BackedEnum
{
    /** The unit that its size is told in: two units measure the same where it is the same. */
    public function base(): self;

    /** How many of its base one of these is. */
    public function size(): Exact;

    /** What is added before scaling: the distance of its zero from the absolute one, in this unit. */
    public function zero(): Exact;

    /** Whether it is of a logarithm: levels are neither scaled nor added as they stand. */
    public function isLevel(): bool;

    /** @throws UnitsDoNotMatch where the two measure different things, or levels */
    public function convert(Exact $value, self $to): Exact;
}
