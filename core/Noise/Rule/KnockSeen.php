<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Knock;
use Footnote\Core\Noise\Sound;

/** Peaks without a rise of level: something touched the microphone. */
final readonly class KnockSeen implements Rule
{
    public function id(): string
    {
        return 'noise.knock';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $survey = Sound::levels($case->results)?->log->survey;
        $inside = array_values(
            array_filter($survey->knocks ?? [], static fn (Knock $knock): bool => $case->run->span()?->contains($knock->at) === true),
        );
        if ($survey !== null && $inside !== []) {
            yield $setting->finding(
                \sprintf(
                    '%d peak%s without a rise of level; the first at %s, %s dB(C) while the level was %s dB(A). '
                        .'A touch of the microphone looks like this.',
                    max(\count($inside), $survey->knockCount > 20 ? $survey->knockCount : 0),
                    \count($inside) === 1 ? '' : 's',
                    $case->hour($inside[0]->at),
                    number_format($inside[0]->peak, 1, '.', ''),
                    number_format($inside[0]->level, 1, '.', ''),
                ),
                [$case->run->id],
                $setting->limit('peak'),
            );
        }
    }
}
