<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations by which a standard tells a flow, by the identifiers of docs/methods.md. T in kelvin, P absolute. */
enum StandardEquation: string implements Equation
{
    case WaterVapour = 'F-2';
    case Standard = 'F-3';
    case VariableArea = 'F-4';
    case CriticalOrifice = 'F-5';
    case TransferOrifice = 'F-10';
    case Manometer = 'F-11';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::WaterVapour => 'P_w = 0.61094·exp(17.625 t/(t + 243.04)) kPa',
            self::Standard => 'Q_std = Q_act·(P/P_ref)·(T_ref/T)',
            self::VariableArea => 'Q = Q_ind·√((P_cal/P)·(T/T_cal))',
            self::CriticalOrifice => 'Q_act ∝ √T while choked',
            self::TransferOrifice => 'Q_std = (1/m)·(√(ΔH·(P_a/760)·(298/T_a)) − b)',
            self::Manometer => 'ΔH = (h₁ − h₂) − (h₁,₀ − h₂,₀); one leg: ΔH = 2·(h − h₀); other fluid: ΔH_water = s·ΔH',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::WaterVapour => 'Alduchov & Eskridge 1996',
            self::Standard => 'ideal gas',
            self::VariableArea => 'NIOSH NMAM',
            self::TransferOrifice => '40 CFR 50 App. B',
            self::CriticalOrifice, self::Manometer => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::WaterVapour, self::TransferOrifice, self::Standard => SourceMark::Published,
            self::VariableArea => SourceMark::FromMemory,
            self::CriticalOrifice, self::Manometer => SourceMark::CommonPractice,
        };
    }
}
