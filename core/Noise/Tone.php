<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Span;

/** A calibrator's tone found inside a log. */
final readonly class Tone
{
    /** @param float $mean its mean level, dB */
    public function __construct(public Span $span, public float $mean)
    {
    }
}
