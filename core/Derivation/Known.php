<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

use Footnote\Core\Quantity\Exact;

/** How far a figure is known. */
final readonly class Known
{
    /**
     * @param Exact|float|null $floor where only an interval is known: from it to the value; zero: it is less than the value
     * @param Bound|null       $bound where only one side of it is known
     */
    public function __construct(
        public Exact|float|null $floor = null,
        public ?Bound $bound = null,
    ) {
    }
}
