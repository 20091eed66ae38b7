<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

/** A level that a calibrator's tone would show in an A-weighted column, by N-1, the weighting at its frequency and the bracket's offset. */
final readonly class ToneLevel
{
    /**
     * @param int    $least thousandths of a dB: the expected level with the least offset of the bracket
     * @param int    $most  the same with the largest offset
     * @param string $words of the tone: "114 dB, 250 Hz of AC-02"
     * @param string $reference the calibrator
     */
    public function __construct(public int $least, public int $most, public string $words, public string $reference)
    {
    }

    /** How far a level lies from it, thousandths; nought within the offsets of the bracket. */
    public function apart(int $level): int
    {
        return max($this->least - $level, $level - $this->most, 0);
    }
}
