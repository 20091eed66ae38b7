<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of gas and vapour monitors, by the identifiers of docs/methods.md. */
enum GasEquation: string implements Equation
{
    case Gain = 'G-1a';
    case Zero = 'G-1b';
    case OnePoint = 'G-1c';
    case Corrected = 'G-2a';
    case MeanAlongBracket = 'G-2b';
    case HighestAlongBracket = 'G-2c';
    case LowestAlongBracket = 'G-2d';
    case WindowAlongBracket = 'G-2e';
    case CorrectedEvenly = 'G-2f';
    case UnknownMoment = 'G-2g';
    case SpanDrift = 'G-3a';
    case SpanMoved = 'G-3b';
    case ZeroDrift = 'G-3c';
    case OffLabel = 'G-3d';
    case HiddenZero = 'G-3e';
    case ZeroSunk = 'G-3f';
    case LargestDrift = 'G-3g';
    case Factor = 'G-4a';
    case FactorUndone = 'G-4b';
    case FactorOfMixture = 'G-4c';
    case AppliedFactor = 'G-4d';
    case AppliedByMass = 'G-4e';
    case TimeAbove = 'G-7a';
    case TimeAboveByResponse = 'G-7b';
    case TimeAboveAlongBracket = 'G-7c';
    case GasLeft = 'G-8';
    case ExplosiveShare = 'G-10';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Gain => 'g = (r_span − r_zero)/(c_span − c_zero)',
            self::Zero => 'z = r_zero − g·c_zero',
            self::OnePoint => 'g = r_span/c_span',
            self::Corrected => 'c = (r − z)/g',
            self::MeanAlongBracket => 'c = mean((r_i/F − line(τ; t_j, z_j))/line(τ; t_j, g_j))',
            self::HighestAlongBracket => 'c = max((r_i/F − line(τ; t_j, z_j))/line(τ; t_j, g_j))',
            self::LowestAlongBracket => 'c = min((r_i/F − line(τ; t_j, z_j))/line(τ; t_j, g_j))',
            self::WindowAlongBracket => 'c = max(window((r_i/F − line(τ; t_j, z_j))/line(τ; t_j, g_j); a, b))',
            self::CorrectedEvenly => 'c = (r − avg(line(τ; t_i, z_i); a_j, b_j))/avg(line(τ; t_i, g_i); a_j, b_j)',
            self::UnknownMoment => 'c = most((r − line(τ; t_i, z_i))/line(τ; t_i, g_i); a_j, b_j)',
            self::SpanDrift => 'D = 100·((z_post + g_post·c_span) − (z_pre + g_pre·c_span))/c_span',
            self::SpanMoved => 'D = (z_post + g_post·c_span) − (z_pre + g_pre·c_span)',
            self::ZeroDrift => 'D = (z_post + g_post·c_zero) − (z_pre + g_pre·c_zero)',
            self::OffLabel => 'Δ = mean(r_i) − c_span',
            self::HiddenZero => 'h = c_span·p/100',
            self::ZeroSunk => 'c = c_told + h',
            self::LargestDrift => 'D = 100·((z_post + g_post·c_post)/c_post − (z_pre + g_pre·c_pre)/c_pre)',
            self::Factor => 'c = c_told·CF',
            self::FactorUndone => 'r = r_shown/F',
            self::FactorOfMixture => 'CF = 1/(Σ x_i/(100·CF_i))',
            self::AppliedFactor => 'F = F_unit·F_hand',
            self::AppliedByMass => 'F = F_unit·F_hand·M/V_m',
            self::TimeAbove => 't = h·Σ above(r_i, F·L/CF)',
            self::TimeAboveByResponse => 't = h·Σ above(r_i, F·(z + g·L/CF))',
            self::TimeAboveAlongBracket => 't = h·Σ above((r_i/F − line(τ; t_j, z_j))/line(τ; t_j, g_j), L/CF)',
            self::GasLeft => 't = (V_full·P/P_full)/q',
            self::ExplosiveShare => 'c = 100·x/B',
        };
    }

    public function source(): string
    {
        return match (rtrim($this->value, 'abcdefg')) {
            'G-1' => 'two-point calibration',
            'G-2' => 'EPA Method 7E form',
            'G-3' => 'EPA Method 7E form; common practice',
            'G-7' => 'own',
            'G-8' => 'ideal gas',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match (rtrim($this->value, 'abcdefg')) {
            'G-2', 'G-8' => SourceMark::Published,
            'G-7' => SourceMark::Own,
            default => SourceMark::CommonPractice,
        };
    }
}
