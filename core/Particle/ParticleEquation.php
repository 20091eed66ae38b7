<?php

declare(strict_types=1);

namespace Footnote\Core\Particle;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of particle counters and dust monitors, by the identifiers of docs/methods.md. */
enum ParticleEquation: string implements Equation
{
    case Concentration = 'P-1a';
    case AtNominalFlow = 'P-1b';
    case ConcentrationAlongBracket = 'P-1c';
    case Background = 'P-1d';
    case BetweenSizes = 'P-1e';
    case FromSizeUp = 'P-1f';
    case ZeroTakenOut = 'P-1g';
    case MeanAlongBracket = 'P-1h';
    case HighestAlongBracket = 'P-1i';
    case WindowAlongBracket = 'P-1j';
    case CountingLow = 'P-1k';
    case CountingHigh = 'P-1l';
    case CountingLowAlone = 'P-1m';
    case CountingHighAlone = 'P-1n';
    case FlowOfNumber = 'P-1o';
    case BackgroundAtMost = 'P-1p';
    case TippingZero = 'P-1q';
    case Suspension = 'P-2';
    case Diluted = 'P-3a';
    case Recovery = 'P-3b';
    case Spike = 'P-3c';
    case Coincidence = 'P-4a';
    case CoincidenceOfMost = 'P-4b';
    case Loss = 'P-4c';
    case WithHidden = 'P-4d';
    case Photometer = 'P-5a';
    case PhotometerFactor = 'P-5b';
    case SizeSetting = 'P-6';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Concentration => 'c = (N − b·t)/(1000·Q·t)',
            self::AtNominalFlow => 'c = N/(1000·Q·t)',
            self::ConcentrationAlongBracket => 'c = mean((N_i/h − line(τ; t_j, b_j))/(1000·line(τ; t_j, Q_j)))',
            self::Background => 'b = B/t',
            self::BetweenSizes => 'c = c_from − c_to',
            self::FromSizeUp => 'c = c_own + c_above',
            self::ZeroTakenOut => 'c = r − z',
            self::MeanAlongBracket => 'c = mean(r_i − line(τ; t_j, z_j))',
            self::HighestAlongBracket => 'c = max(r_i − line(τ; t_j, z_j))',
            self::WindowAlongBracket => 'c = max(window(r_i − line(τ; t_j, z_j); a, b))',
            self::CountingLow => 'c_low = max(0, N/t − B/t_B'
                .' − √((N/t − garwoodLow(N)/t)² + (garwoodHigh(B)/t_B − B/t_B)²))/(1000·Q)',
            self::CountingHigh => 'c_high = max(0, N/t − B/t_B'
                .' + √((garwoodHigh(N)/t − N/t)² + (B/t_B − garwoodLow(B)/t_B)²))/(1000·Q)',
            self::CountingLowAlone => 'c_low = garwoodLow(N)/(1000·Q·t)',
            self::CountingHighAlone => 'c_high = garwoodHigh(N)/(1000·Q·t)',
            self::FlowOfNumber => 'Q = (N/t − b)/(1000·c)',
            self::BackgroundAtMost => 'b = poissonUpper(B)/t',
            self::TippingZero => 'z* = (c − L)/k',
            self::Suspension => 'N = 6·(w/100)·1000000000000/(ρ·π·d³)',
            self::Diluted => 'N_exp = N·v/V',
            self::Recovery => 'R = 100·N_obs/N_exp',
            self::Spike => 'v = N_wanted·V/N',
            self::Coincidence => 'N_obs = N·exp(−N·(1000·Q/60)·t_d/1000000)',
            self::CoincidenceOfMost => 'N_obs = N_most·exp(−N_most·(1000·Q/60)·t_d/1000000)',
            self::Loss => 'l = 100·(1 − N_obs/N)',
            self::WithHidden => 'c = c_told·N/N_obs',
            self::Photometer => 'c = c_told·k',
            self::PhotometerFactor => 'k = c_grav/c_told',
            self::SizeSetting => 'e = 100·(d_set − d_cert)/d_cert',
        };
    }

    public function source(): string
    {
        return match (rtrim($this->value, 'abcdefghijklmnopq')) {
            'P-1' => match ($this) {
                self::CountingLow, self::CountingHigh => 'Zou and Donner 2008, of Garwood 1936',
                self::CountingLowAlone, self::CountingHighAlone, self::BackgroundAtMost => 'Garwood 1936',
                self::TippingZero => 'solved from P-1g',
                default => 'common practice',
            },
            'P-2' => 'handbook formula',
            'P-4' => 'ISO 21501 series',
            'P-6' => 'ISO 21501-4',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match (rtrim($this->value, 'abcdefghijklmnopq')) {
            'P-1' => match ($this) {
                self::CountingLow,
                self::CountingHigh,
                self::CountingLowAlone,
                self::CountingHighAlone,
                self::BackgroundAtMost => SourceMark::Published,
                self::TippingZero => SourceMark::Own,
                default => SourceMark::CommonPractice,
            },
            'P-2' => SourceMark::Published,
            'P-4', 'P-6' => SourceMark::FromMemory,
            default => SourceMark::CommonPractice,
        };
    }
}
