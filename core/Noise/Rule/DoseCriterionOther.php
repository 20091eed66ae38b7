<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\SetUp;
use Footnote\Core\Noise\Sound;

/** A dose was typed for a criterion that the unit was not set to: the display did not show it. */
final readonly class DoseCriterionOther implements Rule
{
    public function id(): string
    {
        return 'noise.dose-criterion';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $heard = Sound::heard($case->run);
        $totals = $heard?->log === null ? $heard?->totals : null;
        foreach ($totals === null ? [] : $case->results->worked()->results as $result) {
            $id = str_starts_with($result->key, 'dose:') ? substr($result->key, 5) : null;
            $differs = $id === null ? [] : SetUp::otherThanCriterion($case->run, $id, $case->heldTo->yardsticks);
            if ($differs !== []) {
                yield $setting->finding(
                    \sprintf('%s was typed, and the instrument was not set to it: %s.', $result->title, implode('; ', $differs)),
                    [$case->run->id],
                )->ofResults(...array_map(static fn (string $kind): string => $kind.':'.$id, ['dose', 'twa', 'lavg', 'projected']));
            }
        }
    }
}
