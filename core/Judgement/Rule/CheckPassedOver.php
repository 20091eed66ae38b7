<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** A check was not steady, broken off or set aside; nothing was adjusted on it, so the next one was looked for. */
final readonly class CheckPassedOver implements KnownBeforehand
{
    public function id(): string
    {
        return 'bracket.check-passed-over';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ($case->bracket->search->passedOver as $passed) {
            yield $setting->finding(
                \sprintf('The check of %s was passed over: %s.', $case->hour($passed->check->at), implode('; ', $passed->reasons)),
                [$passed->check->id],
            );
        }
    }
}
