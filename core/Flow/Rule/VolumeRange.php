<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Quantity\CommonUnit;
use Footnote\Core\Quantity\Real;

/** The volume lies outside of what the method was tried for. */
final readonly class VolumeRange extends SampleRule
{
    public function id(): string
    {
        return 'flow.volume-range';
    }

    protected function sample(SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $method = $results->sample->method;
        $volume = $results->result('volume')?->reportedFigure();
        if ($method === null || $volume === null) {
            return;
        }
        $low = $method->measured('volumeLow');
        $high = $method->measured('volumeHigh');
        $below = $low !== null && Real::compare($volume->value, $low->in(CommonUnit::Litre)) < 0;
        if ($below || ($high !== null && Real::compare($volume->value, $high->in(CommonUnit::Litre)) > 0)) {
            yield $setting->finding(
                \sprintf(
                    '%s L is %s what the method %s was tried for, %s to %s.',
                    $volume->shownBeside(($below ? $low : $high)->in(CommonUnit::Litre)),
                    $below ? 'less than' : 'more than',
                    $method->text('code') ?? '',
                    $low?->words() ?? '0',
                    $high?->words() ?? 'any',
                ),
                [$case->run->id],
            );
        }
    }
}
