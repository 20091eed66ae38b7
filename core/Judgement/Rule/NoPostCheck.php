<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** No usable check has followed the run yet; the next one before the unit is touched or run again still closes it. */
final readonly class NoPostCheck implements Rule
{
    public function id(): string
    {
        return 'bracket.no-post-check';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $bracket = $case->bracket;
        if ($bracket->post !== null || $bracket->search->brokenAfter !== null || $case->standsOnStartOfDay()) {
            return;
        }
        if ($case->run->timing->stop === null) {
            yield $setting->finding(
                'The run still goes on.',
                [$case->run->id],
                cure: new Cure('stop the run, then check the instrument as found', 'before the instrument is adjusted', CuredAt::Run),
            );

            return;
        }
        $passedOver = array_filter(
            $bracket->search->passedOver,
            static fn ($passed): bool => $passed->check->at >= $case->run->timing->stop,
        );
        $count = \count($bracket->runs);
        yield $setting->finding(
            $passedOver === []
                ? 'No check has followed the run yet.'
                : \sprintf('The check that followed cannot be used (%s).', implode('; ', reset($passedOver)->reasons)),
            [$case->run->id],
            cure: new Cure(
                \sprintf(
                    'a check of %s, as found, closes %s',
                    $case->run->deployment->instrument,
                    $count === 1 ? 'this run' : $count.' runs',
                ),
                'before the instrument is adjusted, repaired or run again',
                CuredAt::Bench,
            ),
        );
    }
}
