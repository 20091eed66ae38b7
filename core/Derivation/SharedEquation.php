<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** The equations that more than one family uses, by the identifiers of docs/methods.md. */
enum SharedEquation: string implements Equation
{
    case TimedVolume = 'F-1';
    case Change = 'F-6';
    case PartsPerMillion = 'C-2';
    case TimeWeightedAverage = 'C-3';
    case Replicates = 'S-1';
    case Recalled = 'S-5';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::TimedVolume => 'Q = V/t; soap film with the room\'s humidity: Q = (V/t)·(P − P_w)/(P − φ·P_w)',
            self::Change => 'ΔQ = 100·(Q_post − Q_pre)/Q_pre %, Q_pre as left',
            self::PartsPerMillion => 'ppm = (mg/m³)·V_m/M, V_m = R·T/P',
            self::TimeWeightedAverage => 'TWA = Σ c_i·t_i/480 min; mixture Σ c_i/L_i',
            self::Replicates => 'mean; range over mean',
            self::Recalled => 'a recalled reference: true level = certified + e; true flow, true label = told·(1 + e/100); '
                .'L = L_ind + e of the check before the run',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::PartsPerMillion => 'ideal gas',
            self::TimeWeightedAverage => '29 CFR 1910.1000(d)',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::PartsPerMillion, self::TimeWeightedAverage => SourceMark::Published,
            default => SourceMark::CommonPractice,
        };
    }
}
