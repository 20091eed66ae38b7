<?php

declare(strict_types=1);

namespace Footnote\Core\Log;

use Footnote\Core\Quantity\Exact;

/** The highest and the lowest reading. */
final readonly class Extremes
{
    public function __construct(
        public Exact|float|null $highest,
        public Exact|float|null $lowest,
    ) {
    }
}
