<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Evidence\StepState;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Steps of a check were done in another order than the procedure's. */
final readonly class OrderWrong implements KnownBeforehand
{
    public function id(): string
    {
        return 'procedure.order';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            $procedure = $case->procedureOf($check);
            $reached = null;
            foreach ($check->walk->steps as $id => $state) {
                $place = $procedure->place($id);
                if ($place === null || $state !== StepState::Done) {
                    continue;
                }
                if ($reached !== null && $place < $reached) {
                    yield $setting->finding(
                        \sprintf(
                            'At the check of %s "%s" was done after "%s".',
                            $case->hour($check->at),
                            $procedure->steps[$place]->words->title,
                            $procedure->steps[$reached]->words->title,
                        ),
                        [$check->id],
                    );
                    break;
                }
                $reached = $place;
            }
        }
    }
}
