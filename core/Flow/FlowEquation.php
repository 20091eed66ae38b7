<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of volume and concentration, by the identifiers of docs/methods.md. T in kelvin, P absolute. */
enum FlowEquation: string implements Equation
{
    case VolumeAlongBracket = 'F-8a';
    case Volume = 'F-8b';
    case VolumeAtReference = 'F-8c';
    case VolumeByMass = 'F-8d';
    case ConcentrationByMass = 'F-8e';
    case GaugeResponse = 'F-12a';
    case StandardFlow = 'F-12b';
    case ActualAtStandard = 'F-12c';
    case GaugeCurve = 'F-12d';
    case GaugeCurveScaled = 'F-12e';
    case Leak = 'F-13';
    case PlannedVolume = 'F-14a';
    case PlannedTime = 'F-14b';
    case VolumeOfMedium = 'F-14c';
    case SmallestConcentration = 'F-14d';
    case UndecidedByDrift = 'F-14e';
    case DesorbedMass = 'C-1a';
    case Mass = 'C-1b';
    case DesorbedLimit = 'C-1c';
    case MassLimit = 'C-1d';
    case Concentration = 'C-1e';
    case OtherMass = 'C-1f';
    case BackOverFront = 'C-1g';
    case BackOverFrontLessBlanks = 'C-1h';
    case HighestQuarterHour = 'C-4a';
    case LeastQuarterHour = 'C-4b';
    case TimeWeightedOverShift = 'C-3d';
    case LowerConfidence = 'C-5b';
    case UpperConfidence = 'C-5c';
    case ErrorOfMean = 'C-5d';
    case ErrorOfMixture = 'C-5e';
    case Slope = 'S-2a';
    case Intercept = 'S-2b';
    case Correlation = 'S-2c';
    case Residual = 'S-2d';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::VolumeAlongBracket => 'V = integral(line(τ; t_i, Q_i); a_j, b_j)',
            self::Volume => 'V = Q·t',
            self::VolumeAtReference => 'V_ref = V·(P/P_ref)·(T_ref/T)',
            self::VolumeByMass => 'V_m = V·(P_cal/P)·(T/T_cal)',
            self::ConcentrationByMass => 'c_m = c·(P/P_cal)·(T_cal/T)',
            self::GaugeResponse => 'y = √(I·(P/760)·(298/T))',
            self::StandardFlow => 'x = Q_std/1000',
            self::ActualAtStandard => 'x = (Q/1000)·(P/760)·(298/T)',
            self::GaugeCurve => 'Q = 1000·((y − b₀)/b₁)·(760/P)·(T/298)',
            self::GaugeCurveScaled => 'Q = Q_curve·Q_read/Q_then',
            self::Leak => 'q = V_line·ΔP/(P·t)',
            self::PlannedVolume => 'V_min = LOQ/(f·L)',
            self::PlannedTime => 't_min = V_min/Q',
            self::VolumeOfMedium => 'V = Q·T/n',
            self::SmallestConcentration => 'c_min = LOQ/V',
            self::UndecidedByDrift => 'e = abs(ΔQ)',
            self::DesorbedMass => 'm = (Σ m_i − Σ m_j)/DE',
            self::Mass => 'm = Σ m_i − Σ m_j',
            self::DesorbedLimit => 'm = max(m_raw, LOQ)/DE',
            self::MassLimit => 'm = max(m_raw, LOQ)',
            self::Concentration => 'c = m/V',
            self::OtherMass => 'c = c_told·m_other/m',
            self::BackOverFront => 's = 100·m_back/m_front',
            self::BackOverFrontLessBlanks => 's = 100·(m_back − mean(m_i))/(m_front − mean(m_j))',
            self::HighestQuarterHour => 'c₁₅ = c·t/15',
            self::LeastQuarterHour => 'c₁₅ = c·t/(15·ceil(t/15))',
            self::TimeWeightedOverShift => 'TWA = (T_shift/(Σ t_i))·(Σ c_i·t_i)/480',
            self::LowerConfidence => 'LCL = max(0, Y − SAE)',
            self::UpperConfidence => 'UCL = Y + SAE',
            self::ErrorOfMean => 'SAE = √(Σ (c_i·t_i·s_i)²)/(Σ c_i·t_i)',
            self::ErrorOfMixture => 'SAE = √(Σ (c_i·s_i/L_i)²)/(Σ c_i/L_i)',
            self::Slope => 'b₁ = slope(x_i, y_i)',
            self::Intercept => 'b₀ = intercept(x_i, y_i)',
            self::Correlation => 'r = correlation(x_i, y_i)',
            self::Residual => 'e = 100·((y − b₀)/b₁ − x)/x',
        };
    }

    public function source(): string
    {
        return match (rtrim($this->value, 'abcdef')) {
            'F-8' => $this === self::VolumeAlongBracket ? 'trapezoid rule' : 'ideal gas',
            'F-13' => 'ideal gas',
            'F-12' => '40 CFR 50 App. B',
            'C-3' => '29 CFR 1910.1000(d)',
            'C-5' => 'OSHA technical practice',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match (rtrim($this->value, 'abcdef')) {
            'F-8' => $this === self::VolumeAlongBracket ? SourceMark::Own : SourceMark::Published,
            'F-12', 'F-13', 'C-3' => SourceMark::Published,
            'C-5' => SourceMark::FromMemory,
            'F-14', 'C-4' => SourceMark::Own,
            default => SourceMark::CommonPractice,
        };
    }
}
