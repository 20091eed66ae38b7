<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Flow\FlowFormat;
use Footnote\Core\Flow\FlowRoutine;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\Rule\RoutineDue;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Exact;

/** The flow of a sampler that stands fixed was to be checked again. Pumps that are worn are checked before each run. */
final readonly class CheckDue extends RoutineDue
{
    public const ID = 'flow.check-due';
    /** From what its range reaches a sampler is one of high volume, L/min (own): low ones draw 16.7, high ones some 1100. */
    private const HIGH = '200';

    public function id(): string
    {
        return self::ID;
    }

    public function routine(): Routine
    {
        return FlowRoutine::Check;
    }

    protected function wanted(Instrument $unit, RuleSetting $setting): ?Limit
    {
        if ($unit->traits->text('kind') === FlowFormat::PUMP) {
            return null;
        }
        $most = $unit->traits->measured('rangeHigh')?->in(CommonUnit::LitrePerMinute);

        // A range that nobody stated is taken for the one that is checked more often.
        return $setting->limit($most !== null && $most->compareTo(Exact::of(self::HIGH)) >= 0 ? 'high volume' : 'low volume');
    }
}
