<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Quantity\Decimal;

/** The legs of a manometer, from its scale's zero. */
final readonly class Legs
{
    public function __construct(
        public ?Decimal $left = null,
        public ?Decimal $right = null,
    ) {
    }
}
