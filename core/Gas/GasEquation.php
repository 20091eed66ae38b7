<?php

declare(strict_types=1);

namespace Footnote\Core\Gas;

use Footnote\Core\Derivation\Equation;
use Footnote\Core\Derivation\SourceMark;

/** The equations of gas and vapour monitors, by the identifiers of docs/methods.md. */
enum GasEquation: string implements Equation
{
    case Response = 'G-1';
    case Corrected = 'G-2';
    case Drift = 'G-3';
    case Factor = 'G-4';
    case Ionisation = 'G-5';
    case WrongValue = 'G-6';
    case Exposure = 'G-7';
    case GasLeft = 'G-8';
    case Plateau = 'G-9';

    public function id(): string
    {
        return $this->value;
    }

    public function expression(): string
    {
        return match ($this) {
            self::Response => 'r = z + g·c; g = (r_span − r_zero)/(c_span − c_zero), z = r_zero − g·c_zero; '
                .'one point only: z held, g = (r − z)/c',
            self::Corrected => 'c = (r − z)/g, z and g along the bracket',
            self::Drift => 'zero drift (z_post − z_pre)/c_span; span drift (r_span,post − r_span,pre)/c_span, % of the label',
            self::Factor => 'true vapour = reading·CF; mixture CF = 1/Σ(x_i/CF_i)',
            self::Ionisation => 'ionisation energy of the vapour below that of the lamp',
            self::WrongValue => 'c = r·(c_label/c_entered), where no response against the label exists',
            self::Exposure => 'TWA = c̄·t/480 min; highest 15 min mean; peak; '
                .'gaps are not zeros, a window with under 75 % of its data is judged against no limit',
            self::GasLeft => 'V_left = V_full·P/P_full; minutes = V_left/flow',
            self::Plateau => 'over the last 20 s range and drift within the larger of a share of the span and one step of the display',
        };
    }

    public function source(): string
    {
        return match ($this) {
            self::Response => 'two-point calibration',
            self::Corrected => 'EPA Method 7E form',
            self::Drift => 'EPA Method 7E form; common practice',
            self::Ionisation => 'photoionisation',
            self::WrongValue => 'proportional response',
            self::GasLeft => 'ideal gas',
            self::Exposure, self::Plateau => 'own',
            default => 'common practice',
        };
    }

    public function mark(): SourceMark
    {
        return match ($this) {
            self::Corrected, self::GasLeft, self::Ionisation => SourceMark::Published,
            self::Exposure, self::Plateau => SourceMark::Own,
            default => SourceMark::CommonPractice,
        };
    }
}
