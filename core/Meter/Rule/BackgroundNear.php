<?php

declare(strict_types=1);

namespace Footnote\Core\Meter\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Judgement\Severity;
use Footnote\Core\Meter\MeterResults;

/** The background is so near that nothing can be said of the source alone. */
final readonly class BackgroundNear implements Rule
{
    private const ADVICE = 'Switch off what else sounds, or measure nearer to the source.';

    public function id(): string
    {
        return 'noise.background';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $meter = MeterResults::findings($case);
        $above = $meter?->background;
        $limit = $setting->limit('near');
        if ($above !== null && !$limit->isKeptBy($above->value)) {
            yield $setting->finding(
                \sprintf('The level stands %s dB above its background: the source alone cannot be told.', $above->shown()),
                [$case->run->id],
                $limit,
                advice: self::ADVICE,
            )->naming($above);
        }
        $source = $meter?->source;
        if ($source !== null && $source->tooNear() !== []) {
            $told = $source->canBeTold();
            // Where some bands stand clear, the total says by itself what the others may add.
            yield $setting->finding(
                \sprintf(
                    'Too near the background: %s.%s',
                    implode(', ', $source->tooNear()),
                    $told ? '' : ' Nothing of the source can be told.',
                ),
                [$case->run->id],
                $limit,
                advice: self::ADVICE,
                severity: $told ? Severity::Note : null,
            );
        }
    }
}
