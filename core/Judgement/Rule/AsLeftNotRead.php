<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The unit was adjusted at the pre-check and nobody read it again: nominal is assumed. */
final readonly class AsLeftNotRead implements KnownBeforehand
{
    public function id(): string
    {
        return 'bracket.as-left-not-read';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        foreach ([$case->bracket->pre, ...$case->bracket->between] as $check) {
            if ($check !== null && !$check->content->asLeftIsKnown()) {
                yield $setting->finding(
                    \sprintf(
                        'The instrument was adjusted at the check of %s and not read again; it is taken to show what it was set to expect.',
                        $case->hour($check->at),
                    ),
                    [$check->id],
                );
            }
        }
    }
}
