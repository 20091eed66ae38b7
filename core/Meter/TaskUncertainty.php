<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;

/** What a task adds to the uncertainty of the day (N-9b). */
final readonly class TaskUncertainty
{
    /**
     * @param Figure|null $sampling            u₁ₐ; null with one sample
     * @param Figure      $sensitivity         c₁ₐ
     * @param Figure|null $duration            u₁ᵦ, h; null where nobody stated a range
     * @param Figure      $durationSensitivity c₁ᵦ, dB/h
     * @param Figure      $part                what it adds to u², dB²
     */
    public function __construct(
        public ?Figure $sampling,
        public Figure $sensitivity,
        public ?Figure $duration,
        public Figure $durationSensitivity,
        public Figure $part,
    ) {
    }
}
