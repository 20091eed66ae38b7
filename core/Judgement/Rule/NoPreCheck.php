<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** Nothing shows how the unit read before the run. Nothing later can show it. */
final readonly class NoPreCheck implements KnownBeforehand
{
    public function id(): string
    {
        return 'bracket.no-pre-check';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        if ($case->bracket->pre !== null) {
            return;
        }
        $break = $case->bracket->search->brokenBefore;
        yield $setting->finding(
            match (true) {
                $break === null => 'There is no usable check of this instrument before the run.',
                $break->failed => \sprintf('At its last check before the run, %s, it failed: %s.', $case->hour($break->at), $break->what),
                default => \sprintf(
                    'The instrument was %s (%s) after its last check and not checked again before the run.',
                    $break->what,
                    $case->hour($break->at),
                ),
            },
            $break === null ? [$case->run->id] : [$break->evidence],
        );
    }
}
