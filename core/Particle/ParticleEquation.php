<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of particle counters and dust monitors, by the identifiers of docs/methods.md. */
enum ParticleEquation: string implements Equation
{
    case Concentration = 'P-1';
    case Suspension = 'P-2';
    case Recovery = 'P-3';
    case Coincidence = 'P-4';
    case Photometer = 'P-5';
    case SizeSetting = 'P-6';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Concentration => 'c = (N − B)/(Q·t), Poisson limits of the difference',
            self::Suspension => 'N = 6·w·10¹²/(ρ·π·d³) per mL, d in µm, ρ 1.05 g/cm³',
            self::Recovery => 'expected = N·v_spike/V_jug; recovery = observed/expected',
            self::Coincidence => 'N_obs = N·exp(−N·Q·τ), the low branch',
            self::Photometer => 'k = c_gravimetric/c̄_photometer over the same period',
            self::SizeSetting => '(threshold − certified)/certified',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::Suspension => 'handbook formula',
            self::Coincidence => 'ISO 21501 series',
            self::SizeSetting => 'ISO 21501-4',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::Suspension => SourceMark::Published,
            self::Coincidence, self::SizeSetting => SourceMark::FromMemory,
            default => SourceMark::CommonPractice,
        };
    }
}
