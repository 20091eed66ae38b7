<?php

declare(strict_types=1);

namespace Footnote\Core\Evidence;

use Footnote\Core\Quantity\Span;

/** A stretch of a run that a person left out of the exposure, or said stays in it, with the reason. */
final readonly class Exclusion
{
    public function __construct(public Span $span, public string $reason, public string $by)
    {
    }
}
