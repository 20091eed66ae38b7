<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\Sound;
use Footnote\Core\Quantity\Span;

/** The unit was driven beyond its range. */
final readonly class Overload implements Rule
{
    public function id(): string
    {
        return 'noise.overload';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $span = $case->run->span();
        $spans = array_values(
            array_filter(
                Sound::levels($case->results)->log->survey->overloads ?? [],
                static fn (Span $over): bool => $span !== null && $over->overlaps($span),
            ),
        );
        if ($spans !== []) {
            yield $setting->finding(
                \sprintf(
                    'The instrument was driven beyond its range %d time%s, first at %s.',
                    \count($spans),
                    \count($spans) === 1 ? '' : 's',
                    $case->hour($spans[0]->from),
                ),
                [$case->run->id],
            );
        }
    }
}
