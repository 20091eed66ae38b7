<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Cure;
use Footnote\Core\Judgement\CuredAt;
use Footnote\Core\Judgement\KnownBeforehand;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Sound;

/** A reading at a check fits another level of its calibrator than the one that was written down: which was on? */
final readonly class LevelDoubtful implements KnownBeforehand
{
    public function id(): string
    {
        return 'noise.level-doubtful';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $adjusted = [];
        foreach ($case->checks() as $one) {
            $adjusted[$one->id] = $one->content->wasAdjusted();
        }
        foreach (Sound::levels($case->results)->response->left->otherLevel ?? [] as $check => $words) {
            yield $setting->finding(
                \sprintf('A reading at the check %s fits %s. Which level was the calibrator switched to?', $check, $words),
                [(string) $check],
                // A check at which the unit was adjusted is never set aside: that would hide the adjustment.
                cure: new Cure(
                    ($adjusted[$check] ?? false)
                        ? 'the level that was on: where it was another one, void the run; the instrument was set by the wrong level'
                        : 'the level that was on, by a person\'s word: set the check aside where it was written down wrongly',
                    Cure::ANY_TIME,
                    CuredAt::Check,
                ),
            );
        }
    }
}
