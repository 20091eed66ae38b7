<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;

/** A person declared the segment up to a check that passed representative; nothing behind it counts. */
final readonly class RepresentativeSegment implements Rule
{
    public function id(): string
    {
        return 'bracket.representative-segment';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $segment = $case->results->worked()->segment;
        $declaration = $case->run->notes->declaration;
        if ($segment !== null) {
            yield $setting->finding(
                \sprintf(
                    'Only the segment up to %s stands. %s declared it representative: %s',
                    $case->hour($segment->span->to),
                    $segment->declaration->by,
                    $segment->declaration->reason,
                ),
                [$segment->check->id],
            );
        } elseif ($declaration !== null) {
            yield $setting->finding(
                \sprintf(
                    '%s declared the segment up to the check %s representative. It does not count: only a log can be '
                        .'cut, and only at a check that passed while the one after the run fails.',
                    $declaration->by,
                    $declaration->check,
                ),
                [$declaration->check],
                severity: Severity::Note,
            );
        }
    }
}
