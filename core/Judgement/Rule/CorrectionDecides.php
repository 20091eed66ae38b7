<?php

declare(strict_types=1);

namespace Footnote\Core\Judgement\Rule;

use Footnote\Core\Judgement\Assessment;
use Footnote\Core\Judgement\AsWritten;
use Footnote\Core\Judgement\LooksBack;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/**
 * Only a correction lets the result stand as it does, and nothing but the word of who corrected it says what is right. With a
 * witness (another person, a photograph, a sheet of paper, the instrument's own file) it is as good as any reading.
 */
final readonly class CorrectionDecides implements LooksBack
{
    public function id(): string
    {
        return 'bracket.correction-decides';
    }

    /** As the evidence stands now there is nothing to say; see lookBack(). */
    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        return [];
    }

    public function lookBack(Assessment $now, AsWritten $asWritten, RuleSetting $setting): iterable
    {
        if ($asWritten->isWitnessed() || !$asWritten->decidesOn($now)) {
            return;
        }
        yield $setting->finding(
            \sprintf(
                'It stands as it does only by a correction that nothing but one person’s word bears out: '
                    .'as first written it is %s, or states something else of a limit.',
                $asWritten->first->verdict->value,
            ),
            array_map(static fn ($one): string => $one->check, $asWritten->corrected),
            advice: 'A sheet, a photograph or a second person who saw the reading would bear it out.',
        );
    }
}
