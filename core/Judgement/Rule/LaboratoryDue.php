<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Evidence\Instrument;
use Footnote\Core\Evidence\Routine;
use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\CuredElsewhere;
use Footnote\Core\Judgement\Limit;
use Footnote\Core\Judgement\RoutineDone;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A laboratory was to see the unit again before the run, by the interval of its family in the policy, or of its own. */
final readonly class LaboratoryDue extends RoutineDue implements CuredElsewhere
{
    public function id(): string
    {
        return CertifiedTerm::RULE_OF_UNITS;
    }

    public function routine(): Routine
    {
        return CommonRoutine::Laboratory;
    }

    protected function wanted(Instrument $unit, RuleSetting $setting): ?Limit
    {
        return $setting->limits[$unit->family] ?? null;
    }

    protected function done(RunCase $case): ?RoutineDone
    {
        $start = $case->run->timing->start;
        $certificate = $case->timeline->instrument->certificateAt($start);

        return $certificate === null ? null : CertifiedTerm::done($certificate, $start->getTimezone());
    }
}
