<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Standard;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations by which a standard tells a flow, by the identifiers of docs/methods.md. T in kelvin, P absolute. */
enum StandardEquation: string implements Equation
{
    case WetVolume = 'F-1b';
    case WaterVapour = 'F-2';
    case ActualFlow = 'F-3';
    case VariableArea = 'F-4a';
    case ScaleTable = 'F-4b';
    case CriticalOrifice = 'F-5';
    case TransferOrifice = 'F-10';
    case Manometer = 'F-11a';
    case ManometerWithoutRest = 'F-11b';
    case OneLeg = 'F-11c';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::WetVolume => 'Q = (V/t)·(P − P_w)/(P − (φ/100)·P_w)',
            self::WaterVapour => 'P_w = 0.61094·exp(17.625·T/(T + 243.04))',
            self::ActualFlow => 'Q = Q_std·(P_ref/P)·(T/T_ref)',
            self::VariableArea => 'Q = Q_ind·√((P_cal/P)·(T/T_cal))',
            self::ScaleTable => 'Q_ind = Q_low + (Q_high − Q_low)·(m − m_low)/(m_high − m_low)',
            self::CriticalOrifice => 'Q = Q_cal·√(T/T_cal)',
            self::TransferOrifice => 'Q_std = (k/m)·(√(ΔH·(P/760)·(298/T)) − b)',
            self::Manometer => 'ΔH = s·abs((h₁ − h₂) − (h₁₀ − h₂₀))',
            self::ManometerWithoutRest => 'ΔH = s·abs(h₁ − h₂)',
            self::OneLeg => 'ΔH = s·2·abs(h − h₀)',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::WaterVapour => 'Alduchov & Eskridge 1996',
            self::ActualFlow => 'ideal gas',
            self::VariableArea => 'NIOSH NMAM',
            self::ScaleTable => 'straight lines in a table',
            self::TransferOrifice => '40 CFR 50 App. B',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::WaterVapour, self::TransferOrifice, self::ActualFlow => SourceMark::Published,
            self::VariableArea => SourceMark::FromMemory,
            default => SourceMark::CommonPractice,
        };
    }
}
