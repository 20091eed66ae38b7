<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Derivation\Origin;

/** What every measured level is uncertain by, dB (ISO 9612 Annex C, from memory). */
final class MeasurementUncertainty
{
    /** One-sided 95 %. */
    public const COVERAGE = 1.65;
    /** u₂ by class of a meter; a dosimeter counts as class 2. */
    public const CLASS_1 = 0.7;
    public const CLASS_2 = 1.5;
    /** u₃. */
    public const POSITION = 1.0;

    /** u₂ as a figure to cite. */
    public static function instrument(float $value): Figure
    {
        return self::assumed('u₂', 'instrument', $value);
    }

    /** u₃ as a figure to cite. */
    public static function position(): Figure
    {
        return self::assumed('u₃', 'microphone position', self::POSITION);
    }

    private static function assumed(string $symbol, string $meaning, float $value): Figure
    {
        return Figure::read(
            $symbol,
            $meaning,
            $value,
            LevelUnit::Decibel,
            new Origin('assumption', 'ISO 9612', 'ISO 9612 Annex C, from memory'),
            1,
        );
    }
}
