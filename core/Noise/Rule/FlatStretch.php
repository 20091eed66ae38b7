<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Sound;

/** The level stood still for longer than work does: the unit may have lain in a drawer. */
final readonly class FlatStretch implements Rule
{
    public function id(): string
    {
        return 'noise.flat-stretch';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $span = $case->run->span();
        foreach (Sound::levels($case->results)->log->survey->flats ?? [] as $flat) {
            if ($span !== null && $flat->overlaps($span)) {
                yield $setting->finding(
                    \sprintf('The level stood still from %s to %s.', $case->hour($flat->from), $case->hour($flat->to)),
                    [$case->run->id],
                    $setting->limit('spread'),
                );
            }
        }
    }
}
