<?php

declare(strict_types=1);

namespace Footnote\Core\Flow;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of volume and concentration, by the identifiers of docs/methods.md. T in kelvin, P absolute. */
enum FlowEquation: string implements Equation
{
    case Between = 'F-7';
    case Volume = 'F-8';
    case CautiousVolume = 'F-9';
    case GaugeCurve = 'F-12';
    case Leak = 'F-13';
    case Concentration = 'C-1';
    case ShortTerm = 'C-4';
    case Confidence = 'C-5';
    case Regression = 'S-2';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Between => 'straight lines between checks, constant outside; with two checks the mean',
            self::Volume => 'V = ∫Q dt over running time; V_ref = V·(P/P_ref)·(T_ref/T)',
            self::CautiousVolume => 'the smallest volume over the bracket gives the highest concentration',
            self::GaugeCurve => '√(I·(P_a/760)·(298/T_a)) = slope·Q_std + intercept',
            self::Leak => 'ΔP over t; leak = V_line·ΔP/(P_ambient·t)',
            self::Concentration => 'c = (m_front + m_back − m_blank)/(DE·V)',
            self::ShortTerm => 'highest 15 min mean',
            self::Confidence => 'Y = c/L; UCL, LCL = Y ± SAE, never below 0; of a sum SAE = √Σ(share·SAE)²',
            self::Regression => 'ordinary least squares: slope, intercept, r, residuals',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::Volume, self::Leak => 'ideal gas',
            self::Between => 'trapezoid rule',
            self::GaugeCurve => '40 CFR 50 App. B',
            self::Confidence => 'OSHA technical practice',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::GaugeCurve, self::Volume, self::Leak => SourceMark::Published,
            self::Confidence => SourceMark::FromMemory,
            self::Between => SourceMark::Own,
            default => SourceMark::CommonPractice,
        };
    }
}
