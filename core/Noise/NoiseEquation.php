<?php

declare(strict_types=1);

namespace Footnote\Core\Noise;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of noise, by the identifiers of docs/methods.md. Levels in dB, lg is the logarithm to base 10. */
enum NoiseEquation: string implements Equation
{
    case ExpectedLevel = 'N-1';
    case Deviation = 'N-2a';
    case Drift = 'N-2b';
    case FoundByFactor = 'N-2c';
    case FoundBySensitivity = 'N-2d';
    case AdjustmentAtCheck = 'N-2e';
    case EquivalentLevel = 'N-3';
    case Dose = 'N-4a';
    case DoseWithoutThreshold = 'N-4b';
    case DoseOfDay = 'N-4c';
    case DoseOfDayStretched = 'N-4d';
    case TimeWeightedAverage = 'N-5a';
    case ExchangeFactor = 'N-5b';
    case DoseOfAverage = 'N-5c';
    case AverageLevel = 'N-6a';
    case DoseOfLevel = 'N-6b';
    case ProjectedDose = 'N-7a';
    case DoseOfProjected = 'N-7b';
    case DailyExposure = 'N-8a';
    case ExposureByParts = 'N-8b';
    case LevelOfDailyExposure = 'N-8c';
    case StretchedExposure = 'N-8d';
    case ExposureByPartsStretched = 'N-8e';
    case Uncertainty = 'N-9a';
    case TaskUncertainty = 'N-9b';
    case PartOfTask = 'N-9c';
    case PartWithoutSpread = 'N-9d';
    case SensitivityToLevel = 'N-9e';
    case SensitivityToTime = 'N-9f';
    case SpreadOfSamples = 'N-9g';
    case SpreadOfTimes = 'N-9h';
    case RangeOfTime = 'N-9i';
    case PartWithoutTime = 'N-9j';
    case PartOfInstrument = 'N-9k';
    case ShareOfTask = 'N-9l';
    case OffsetTakenOut = 'N-10a';
    case OffsetOutOfDose = 'N-10b';
    case LevelAlongBracket = 'N-10c';
    case DoseAlongBracket = 'N-10d';
    case LogAlongBracket = 'N-10e';
    case LogDose = 'N-10f';
    case LogDoseWithoutThreshold = 'N-10g';
    case LogDoseAlongBracket = 'N-10h';
    case LogDoseAlongBracketWithoutThreshold = 'N-10i';
    case HighestAlongBracket = 'N-10j';
    case HalfwayTakenOut = 'N-10k';
    case UnknownMoment = 'N-10l';
    case DoseBetween = 'N-10m';
    case DoseAtLeast = 'N-10n';
    case TippingOffset = 'N-10o';
    case TippingOffsetOfDose = 'N-10p';
    case TippingOffsetOfLog = 'N-10q';
    case TippingOffsetOfLogWithoutThreshold = 'N-10r';
    case WeightingA = 'N-11a';
    case WeightingC = 'N-11c';
    case BandTotal = 'N-12a';
    case BandUnweighted = 'N-12b';
    case Background = 'N-13a';
    case AboveBackground = 'N-13b';
    case NothingTakenOut = 'N-13c';
    case BandsWithoutBackground = 'N-13d';
    case RoomMargin = 'N-14a';
    case WorstMargin = 'N-14b';
    case RangeOfSamples = 'N-15';
    case Adjustment = 'S-4';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::ExpectedLevel => 'L_exp = L_cert + Σ C_i',
            self::Deviation => 'ε = mean(L_i) − L_exp',
            self::Drift => 'd = ε_post − ε_pre',
            self::FoundByFactor => 'ε = ε_left + F_before − F_after',
            self::FoundBySensitivity => 'ε = ε_left − F_before + F_after',
            self::AdjustmentAtCheck => 'Δ = ε_left − ε_found',
            self::EquivalentLevel => 'L_eq = 10 lg(mean(10^(L_i/10)))',
            self::Dose => 'D = 100·(h/T_c)·Σ counts(L_i, L_thr)·2^((L_i − L_c)/q)',
            self::DoseWithoutThreshold => 'D = 100·(h/T_c)·Σ 2^((L_i − L_c)/q)',
            self::DoseOfDay => 'D = Σ D_i',
            self::DoseOfDayStretched => 'D = (T_day/(Σ T_i))·Σ D_i',
            self::TimeWeightedAverage => 'TWA = L_c + k·lg(D/100)',
            self::ExchangeFactor => 'k = q/lg 2',
            self::DoseOfAverage => 'D = 100·10^((L − L_c)/k)',
            self::AverageLevel => 'L_avg = L_c + (q/lg 2)·lg(D·T_c/(100·t))',
            self::DoseOfLevel => 'D = (100·t/T_c)·2^((L − L_c)/q)',
            self::ProjectedDose => 'D_proj = D·T_shift/t',
            self::DoseOfProjected => 'D = D_proj·t/T_shift',
            self::DailyExposure => 'L_EX,8h = L_Aeq + 10 lg(T_e/T_0)',
            self::ExposureByParts => 'L_EX,8h = 10 lg(Σ (T_i/T_0)·10^(L_i/10))',
            self::ExposureByPartsStretched => 'L_EX,8h = 10 lg((T_day/T_0)·(Σ T_i·10^(L_i/10))/(Σ T_i))',
            self::StretchedExposure => 'L = L_EX,8h + 10 lg(T_day/(Σ T_i))',
            self::LevelOfDailyExposure => 'L = L_EX,8h − 10 lg(T_e/T_0)',
            self::Uncertainty => 'U = 1.65·√(u₂² + u₃²)',
            self::TaskUncertainty => 'U = 1.65·√(Σ p_i)',
            self::PartOfTask => 'p = c₁ₐ²·(u₁ₐ² + u₂² + u₃²) + (c₁ᵦ·u₁ᵦ)²',
            self::PartWithoutSpread => 'p = c₁ₐ²·(u₂² + u₃²) + (c₁ᵦ·u₁ᵦ)²',
            self::SensitivityToLevel => 'c₁ₐ = (T_m/T_0)·10^((L_m − L_EX,8h)/10)',
            self::SensitivityToTime => 'c₁ᵦ = (10/ln 10)·c₁ₐ/T_m',
            self::SpreadOfSamples => 'u₁ₐ = sd(L_i)/√(count(L_i))',
            self::SpreadOfTimes => 'u₁ᵦ = sd(T_i)/√(count(T_i))',
            self::RangeOfTime => 'u₁ᵦ = (T_most − T_least)/2',
            self::PartWithoutTime => 'p = c₁ₐ²·(u₁ₐ² + u₂² + u₃²)',
            self::PartOfInstrument => 'p = c₁ₐ²·(u₂² + u₃²)',
            self::ShareOfTask => 'p = 100·c₁ₐ',
            self::RangeOfSamples => 'R = max(L_i) − min(L_i)',
            self::OffsetTakenOut => 'L = L_ind − o',
            self::OffsetOutOfDose => 'D = D_ind·2^(−o/q)',
            self::LevelAlongBracket => 'L = L_ind + 10 lg(avg(10^(−line(τ; t_i, o_i)/10); a_j, b_j))',
            self::DoseAlongBracket => 'D = D_ind·avg(2^(−line(τ; t_i, o_i)/q); a_j, b_j)',
            self::LogAlongBracket => 'L = 10 lg(mean(10^((L_i − line(τ; t_j, o_j))/10)))',
            self::LogDose => 'D = 100·(h/T_c)·Σ counts(L_i − o, L_thr)·2^((L_i − o − L_c)/q)',
            self::LogDoseWithoutThreshold => 'D = 100·(h/T_c)·Σ 2^((L_i − o − L_c)/q)',
            self::LogDoseAlongBracket => 'D = 100·(h/T_c)·Σ counts(L_i − line(τ; t_j, o_j), L_thr)'
                .'·2^((L_i − line(τ; t_j, o_j) − L_c)/q)',
            self::LogDoseAlongBracketWithoutThreshold => 'D = 100·(h/T_c)·Σ 2^((L_i − line(τ; t_j, o_j) − L_c)/q)',
            self::HighestAlongBracket => 'L = max(L_i − line(τ; t_j, o_j))',
            self::HalfwayTakenOut => 'L = L_ind − mean(o_i)',
            self::UnknownMoment => 'L = L_ind − least(line(τ; t_i, o_i); a_j, b_j)',
            self::DoseBetween => 'D = most(max(D_ind·2^(−o_i/q), below(o_i, 0)·(100·t/T_c)·2^((L_Aeq − o_i − L_c)/q)))',
            self::DoseAtLeast => 'D = least(D_ind·2^(−o_i/q)·(1 − below(0, o_i)))',
            self::TippingOffset => 'o* = L − L_lim',
            self::TippingOffsetOfDose => 'o* = q·lg(D_ind/D_lim)/lg 2',
            self::TippingOffsetOfLog => 'D_lim = 100·(h/T_c)·Σ counts(L_i − o*, L_thr)·2^((L_i − o* − L_c)/q)',
            self::TippingOffsetOfLogWithoutThreshold => 'D_lim = 100·(h/T_c)·Σ 2^((L_i − o* − L_c)/q)',
            self::WeightingA => 'W = A(f)',
            self::WeightingC => 'W = C(f)',
            self::BandTotal => 'L_W = 10 lg(Σ 10^((L_i + W_i)/10))',
            self::BandUnweighted => 'L = L_W − W',
            self::Background => 'L = 10 lg(10^(L_tot/10) − 10^(L_bg/10))',
            self::AboveBackground => 'ΔL_bg = L_tot − L_bg',
            self::NothingTakenOut => 'L = L_tot',
            self::BandsWithoutBackground => 'L_W = 10 lg(Σ 10^((L_i + W_i)/10) + Σ 10^((L_j + W_j)/10))',
            self::RoomMargin => 'ΔL = L_b − L_perm',
            self::WorstMargin => 'ΔL_max = max(L_i − P_i)',
            self::Adjustment => 'S = S_before + Δ',
        };
    }

    public function source(): string
    {
        return match (rtrim($this->value, 'abcdefghijklmnopqr')) {
            'N-3' => 'IEC 61672-1',
            'N-4', 'N-5' => '29 CFR 1910.95 App. A (q 5, L_c 90); NIOSH 98-126 (q 3, L_c 85)',
            'N-6' => 'solved from N-4',
            'N-8' => 'ISO 9612',
            'N-9' => 'ISO 9612 Annex C',
            'N-10' => 'derived from N-3 and N-4',
            'N-11' => 'IEC 61672-1:2013 Annex E',
            'N-12' => 'common practice; weights of IEC 61672-1:2013 Table 3',
            'N-13' => 'ISO 3746',
            'N-14' => 'comparison band by band, as 29 CFR 1910.95 App. D has it',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match (rtrim($this->value, 'abcdefghijklmnopqr')) {
            'N-3', 'N-4', 'N-5', 'N-8', 'N-11' => SourceMark::Published,
            'N-9', 'N-13' => SourceMark::FromMemory,
            'N-6', 'N-10' => SourceMark::Own,
            default => SourceMark::CommonPractice,
        };
    }
}
