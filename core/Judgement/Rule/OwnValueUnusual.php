<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** What was written down at a step of a model sheet lies outside of what the sheet says is usual. */
final readonly class OwnValueUnusual implements KnownBeforehand
{
    public function id(): string
    {
        return 'procedure.own-value-unusual';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->checks() as $check) {
            $unusual = [];
            foreach ($check->walk->own as $step) {
                foreach ($step->values as $value) {
                    if ($value->isUnusual()) {
                        $unusual[] = $value->words();
                    }
                }
            }
            if ($unusual !== []) {
                yield $setting->finding(
                    \sprintf('Written down at the check of %s: %s.', $case->hour($check->at), implode('; ', $unusual)),
                    [$check->id],
                );
            }
        }
    }
}
