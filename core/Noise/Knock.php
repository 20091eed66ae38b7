<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** A peak without a rise of level: something touched the microphone. */
final readonly class Knock
{
    /**
     * @param float $peak  dB(C)
     * @param float $level of the same interval, dB(A)
     */
    public function __construct(public \DateTimeImmutable $at, public float $peak, public float $level)
    {
    }
}
