<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Quantity\Exact;

/** How frequencies are weighted before they are added up. Z is flat. */
enum FrequencyWeighting: string
{
    case A = 'A';
    case C = 'C';
    case Z = 'Z';

    /** Pole frequencies, Hz (published: IEC 61672-1:2013 Annex E). */
    private const F1 = 20.598997;
    private const F2 = 107.65265;
    private const F3 = 737.86223;
    private const F4 = 12194.217;

    /** A and C at the octave bands from 31.5 Hz, dB (published: IEC 61672-1:2013 Table 3). */
    private const TABLE = [
        '31.5' => ['-39.4', '-3.0'],
        '63' => ['-26.2', '-0.8'],
        '125' => ['-16.1', '-0.2'],
        '250' => ['-8.6', '0.0'],
        '500' => ['-3.2', '0.0'],
        '1000' => ['0.0', '0.0'],
        '2000' => ['1.2', '-0.2'],
        '4000' => ['1.0', '-0.8'],
        '8000' => ['-1.1', '-3.0'],
        '16000' => ['-6.6', '-8.5'],
    ];

    /** N-11: the weighting at a frequency in Hz, dB, normalised to nought at 1 kHz exactly. */
    public function at(float $hertz): float
    {
        return $this->unnormalised($hertz) - $this->unnormalised(1000.0);
    }

    /** The weighting of a band as the standard's table prints it, dB. */
    public function ofBand(OctaveBand $band): Exact
    {
        return match ($this) {
            self::A => Exact::of(self::TABLE[$band->value][0]),
            self::C => Exact::of(self::TABLE[$band->value][1]),
            self::Z => Exact::zero(),
        };
    }

    private function unnormalised(float $f): float
    {
        $f2 = $f ** 2;
        $ends = self::F4 ** 2 * $f2 / (($f2 + self::F1 ** 2) * ($f2 + self::F4 ** 2));

        return match ($this) {
            self::A => 20 * log10($ends * $f2 / sqrt(($f2 + self::F2 ** 2) * ($f2 + self::F3 ** 2))),
            self::C => 20 * log10($ends),
            self::Z => 0.0,
        };
    }
}
