<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\CommonRoutine;
use Footnote\Core\Judgement\CertifiedTerm;
use Footnote\Core\Judgement\CuredElsewhere;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A laboratory is to see the unit again and again, and no certificate on record says that it ever did. */
final readonly class LaboratoryNever implements CuredElsewhere
{
    public function id(): string
    {
        return 'unit.certificate-missing';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $unit = $case->timeline->instrument;
        $start = $case->run->timing->start;
        $wanted = $case->heldTo->policy->limit(CertifiedTerm::RULE_OF_UNITS, $unit->family)
            ?? $unit->upkeep->intervals->at(CommonRoutine::Laboratory, $start);
        if ($wanted !== null && $unit->certificateAt($start) === null) {
            yield $setting->finding(
                'No laboratory certificate of the instrument is on record: its checks alone hold it.',
                [$case->run->id],
            );
        }
    }
}
