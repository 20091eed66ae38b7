<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Decimal;

/** One value as written down, and how it came. */
final readonly class Reading
{
    public function __construct(public Decimal $value, public Provenance $provenance)
    {
    }
}
