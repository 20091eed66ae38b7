<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Gas\GasRoutine;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Rule\RoutineDue;
use Footnote\Core\Judgement\RuleSetting;

/**
 * A channel was to be calibrated again. A check at which it was held against its label counts, whether it was set or found right:
 * what it was left reading is judged by rules of its own. A monitor fixed in place is checked by this interval alone.
 */
final readonly class CalibrationDue extends RoutineDue
{
    public const ID = 'gas.calibration-due';

    public function id(): string
    {
        return self::ID;
    }

    public function routine(): Routine
    {
        return GasRoutine::Calibration;
    }

    protected function wanted(Instrument $unit, RuleSetting $setting): Limit
    {
        return $setting->limit($unit->traits->flag('fixed') ? 'fixed' : 'portable');
    }
}
