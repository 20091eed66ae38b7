<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of noise, by the identifiers of docs/methods.md. Levels in dB, lg is the logarithm to base 10. */
enum NoiseEquation: string implements Equation
{
    case ExpectedLevel = 'N-1';
    case Deviation = 'N-2';
    case EquivalentLevel = 'N-3';
    case Dose = 'N-4';
    case TimeWeightedAverage = 'N-5';
    case AverageLevel = 'N-6';
    case ProjectedDose = 'N-7';
    case DailyExposure = 'N-8';
    case Uncertainty = 'N-9a';
    case OffsetTakenOut = 'N-10';
    case TaskUncertainty = 'N-9b';
    case BandTotal = 'N-12';
    case Background = 'N-13';
    case RoomMargin = 'N-14';
    case Weighting = 'N-11';
    case Adjustment = 'S-4';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::ExpectedLevel => 'L_exp = L_cert + C_mic + C_P',
            self::Deviation => 'ε = L_ind − L_exp; d = ε_post(as found) − ε_pre(as left); '
                .'a unit that adjusts itself: ε as found = (as left − L_exp) + factor before − factor after',
            self::EquivalentLevel => 'L_eq = 10 lg[ (1/n) Σ 10^(L_i/10) ]',
            self::Dose => 'D = 100 Σ C_i/T_i %, T_i = T_c·2^(−(L_i − L_c)/q), where L_i ≥ threshold',
            self::TimeWeightedAverage => 'TWA = L_c + k·lg(D/100), k = 16.61 for q 5, 10 for q 3, else q/lg 2',
            self::AverageLevel => 'L_avg = L_c + (q/lg 2)·lg(D·T_c/(100·t))',
            self::ProjectedDose => 'D_proj = D·T_shift/t',
            self::DailyExposure => 'L_EX,8h = L_Aeq,Te + 10 lg(T_e/8 h); '
                .'tasks: 10 lg[ (1/8 h) Σ T_m·10^(L_m/10) ], samples of a task averaged by energy',
            self::Uncertainty => 'U = 1.65·√(u₂² + u₃²)',
            self::OffsetTakenOut => 'L = L_ind − o; a log: each sample first; a dose total: D = D_ind·2^(−o/q); '
                .'in between: the mean of 10^(−o(t)/10) or 2^(−o(t)/q)',
            self::TaskUncertainty => 'U = 1.65·√Σ[ c₁ₐ²(u₁ₐ² + u₂² + u₃²) + (c₁ᵦ u₁ᵦ)² ], c₁ₐ = (T_m/8)·10^((L_m − L_EX)/10), '
                .'c₁ᵦ = 4.34 c₁ₐ/T_m, u₁ₐ = s/√n',
            self::Weighting => 'A(f), C(f) of IEC 61672-1 Annex E, nought at 1 kHz',
            self::BandTotal => 'L_W = 10 lg Σ 10^((L_b + W_b)/10), W_b as tabulated',
            self::Background => 'L = 10 lg(10^(L_tot/10) − 10^(L_bg/10)); '
                .'nothing is taken out where the difference is large, nothing can be told where it is small',
            self::RoomMargin => 'ΔL = L_b − L_perm,b; of a room the largest over its bands',
            self::Adjustment => 'Σ (as left − as found) since the last laboratory certificate',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::ExpectedLevel, self::Deviation, self::ProjectedDose => 'common practice',
            self::EquivalentLevel => 'IEC 61672-1',
            self::Dose, self::TimeWeightedAverage => '29 CFR 1910.95 App. A (q 5, L_c 90); NIOSH 98-126 (q 3, L_c 85)',
            self::AverageLevel => 'solved from N-4',
            self::DailyExposure => 'ISO 9612',
            self::Uncertainty, self::TaskUncertainty => 'ISO 9612 Annex C',
            self::Weighting => 'IEC 61672-1:2013 Annex E',
            self::BandTotal => 'common practice; weights of IEC 61672-1:2013 Table 3',
            self::Background => 'ISO 3746',
            self::RoomMargin => 'comparison band by band, as 29 CFR 1910.95 App. D has it',
            self::OffsetTakenOut => 'derived from N-3 and N-4',
            self::Adjustment => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::ExpectedLevel,
            self::Deviation,
            self::ProjectedDose,
            self::BandTotal,
            self::RoomMargin,
            self::Adjustment => SourceMark::CommonPractice,
            self::EquivalentLevel, self::Dose, self::TimeWeightedAverage, self::DailyExposure, self::Weighting => SourceMark::Published,
            self::Uncertainty, self::TaskUncertainty, self::Background => SourceMark::FromMemory,
            self::AverageLevel, self::OffsetTakenOut => SourceMark::Own,
        };
    }
}
