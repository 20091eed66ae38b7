<?php

declare(strict_types=1);

namespace Footnote\Core\Derivation;

/** The equations that more than one family uses, by the identifiers of docs/methods.md. */
enum SharedEquation: string implements Equation
{
    case TimedVolume = 'F-1a';
    case Change = 'F-6';
    case PartsPerMillion = 'C-2a';
    case MassConcentration = 'C-2b';
    case MolarVolume = 'C-2c';
    case TimeWeightedAverage = 'C-3a';
    case AdditiveMixture = 'C-3b';
    case EightHourMean = 'C-3c';
    case OverLimit = 'C-5a';
    case Replicates = 'S-1a';
    case RangeOverMean = 'S-1b';
    case RecalledFlow = 'S-5a';
    case RecalledLabel = 'S-5b';
    case OffsetOfRecall = 'S-5c';
    case GrownError = 'S-5d';
    case RunningTime = 'T-1';
    case TippingShare = 'T-2';
    case LowerEnd = 'T-3';
    case UpperEnd = 'T-4';
    case SameInUnit = 'T-5';
    case NotMeasured = 'T-6';
    case ShareOf = 'T-7';
    case Between = 'T-8';
    case OffNominal = 'T-9';
    case TogetherUncertain = 'T-10';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::TimedVolume => 'Q = V/t',
            self::Change => 'ΔQ = 100·(Q_post − Q_pre)/Q_pre',
            self::PartsPerMillion => 'x = c·V_m/M',
            self::MassConcentration => 'c = x·M/V_m',
            self::MolarVolume => 'V_m = R·T/P',
            self::TimeWeightedAverage => 'TWA = Σ c_i·t_i/480',
            self::EightHourMean => 'TWA = c·t/480',
            self::AdditiveMixture => 'S = Σ c_i/L_i',
            self::OverLimit => 'Y = c/L',
            self::Replicates => 'x̄ = mean(x_i)',
            self::RangeOverMean => 'R = 100·(max(x_i) − min(x_i))/mean(x_i)',
            self::RecalledFlow => 'Q = Q_told·(1 + e/100)',
            self::RecalledLabel => 'c = c_told·(1 + e/100)',
            self::OffsetOfRecall => 'o = −e',
            self::GrownError => 'e = e_found·t/T',
            self::RunningTime => 't = Σ (b_j − a_j)',
            self::TippingShare => 'e* = 100·(c/L − 1)',
            self::LowerEnd => 'x = lower(X)',
            self::UpperEnd => 'x = upper(X)',
            self::SameInUnit => 'x = X',
            self::NotMeasured => 't = T_day − Σ t_i',
            self::ShareOf => 's = 100·x/X',
            self::Between => 't = b − a',
            self::OffNominal => 'e = 100·(x − X)/X',
            self::TogetherUncertain => 'U = √(U_pre² + U_post²)',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::PartsPerMillion, self::MassConcentration, self::MolarVolume => 'ideal gas',
            self::TimeWeightedAverage, self::AdditiveMixture, self::EightHourMean => '29 CFR 1910.1000(d)',
            self::TippingShare => 'proportional to the result',
            self::LowerEnd, self::UpperEnd => 'interval',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::PartsPerMillion,
            self::MassConcentration,
            self::MolarVolume,
            self::TimeWeightedAverage,
            self::AdditiveMixture,
            self::EightHourMean => SourceMark::Published,
            self::TippingShare => SourceMark::Own,
            default => SourceMark::CommonPractice,
        };
    }
}
