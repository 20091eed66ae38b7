<?php

declare(strict_types=1);

namespace Footnote\Core\Gas\Rule;

use Footnote\Core\Gas\ChannelResults;
use Footnote\Core\Gas\GasUsability;
use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** At a check nothing answered to the cylinder: either it was shut, or every sensor was dead. A person says which. */
final readonly class NoAnswer extends ChannelRule implements KnownBeforehand
{
    public function id(): string
    {
        return 'gas.no-answer';
    }

    protected function channel(ChannelResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $check = $case->bracket->passedOverSince(GasUsability::NO_ANSWER);
        if ($check !== null) {
            yield $setting->finding(
                \sprintf(
                    'At the check of %s none of the channels of the cylinder answered. Was it open, and the cap on?',
                    $case->hour($check->at),
                ),
                [$check->id],
                cure: new Cure(
                    'set the check aside where the cylinder was shut; void the run where the gas flowed',
                    Cure::ANY_TIME,
                    CuredAt::Check,
                ),
            );
        }
    }
}
