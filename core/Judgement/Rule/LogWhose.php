<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\LogOwner;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;

/** Something speaks against the log being of this run: open until a person says whose it is. */
final readonly class LogWhose implements Rule
{
    public function id(): string
    {
        return LogOwner::RULE;
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $word = $case->run->source->word;
        $owner = LogOwner::of($case->run, $case->timeline, $setting->limit('shared'));
        $evidence = [$case->run->id, ...$owner->evidence];
        if ($word !== null && !$word->isOwn) {
            yield $setting->finding(
                \sprintf('The log is not of this run, says %s: %s.', $word->by, rtrim($word->reason, '.')),
                $evidence,
                advice: 'Read the log of this run in its place, where there is one.',
            );

            return;
        }
        if ($owner->doubts === []) {
            return;
        }
        $said = implode(' ', $owner->doubts);
        if ($word !== null && $owner->claimed === []) {
            yield $setting->finding(
                \sprintf('%s It is of this run, says %s: %s.', $said, $word->by, rtrim($word->reason, '.')),
                $evidence,
                severity: Severity::Note,
            );

            return;
        }
        if ($owner->claimed !== []) {
            $said .= \sprintf(' %s says that it is of run %s.', $owner->claimed[0]->source->word->by ?? '', $owner->claimed[0]->id);
        }
        yield $setting->finding(
            $said,
            $evidence,
            cure: new Cure('a person\'s word whose log it is, with the reason, or another log in its place', Cure::ANY_TIME, CuredAt::Run),
        );
    }
}
