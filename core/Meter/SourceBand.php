<?php

declare(strict_types=1);

namespace Footnote\Core\Meter;

use Footnote\Core\Derivation\Figure;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Noise\LevelUnit;
use Footnote\Core\Noise\NoiseEquation;
use Footnote\Core\Quantity\Real;

/** N-13 on one level: what a source gives without the background that it was measured in. */
final readonly class SourceBand
{
    /**
     * @param Figure      $above by how much the level stands above the background, dB
     * @param Figure|null $alone the source alone; null where the background is too near to tell
     * @param bool        $taken whether anything was taken out
     */
    private function __construct(
        public Figure $total,
        public Figure $background,
        public Figure $above,
        public ?Figure $alone,
        public bool $taken,
    ) {
    }

    /**
     * @param Limit|null $near below it nothing can be told
     * @param Limit|null $far  above it nothing is taken out
     */
    public static function of(Figure $total, Figure $background, string $meaning, ?Limit $near, ?Limit $far): self
    {
        $above = Figure::derived(
            'ΔL_bg',
            'above the background by',
            Real::minus($total->value, $background->value),
            LevelUnit::Decibel,
            NoiseEquation::AboveBackground,
            ['L_tot' => $total, 'L_bg' => $background],
        );
        if ($above->toFloat() <= 0.0 || ($near !== null && !$near->isKeptBy($above->value))) {
            return new self($total, $background, $above, null, false);
        }
        $taken = $far === null || $far->isKeptBy($above->value);
        $level = $taken ? 10 * log10(10 ** ($total->toFloat() / 10) - 10 ** ($background->toFloat() / 10)) : $total->value;

        return new self(
            $total,
            $background,
            $above,
            Figure::derived(
                $total->symbol,
                $meaning,
                $level,
                $total->unit,
                $taken ? NoiseEquation::Background : NoiseEquation::NothingTakenOut,
                $taken ? ['L_tot' => $total, 'L_bg' => $background] : ['L_tot' => $total],
            ),
            $taken,
        );
    }
}
