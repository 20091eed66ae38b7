<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The unit was not fit to go out, somebody knew, and sent it with a reason. What was against it weighs by its own rule. */
final readonly class WentOutUnfit implements Rule
{
    public function id(): string
    {
        return 'run.went-out-unfit';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $despite = $case->run->notes->despite;
        if ($despite !== null) {
            yield $setting->finding(
                \sprintf(
                    'It was begun by %s although it was known: %s The reason: %s',
                    $despite->by,
                    implode(' ', $despite->against),
                    $despite->reason,
                ),
                [$case->run->id],
            );
        }
    }
}
