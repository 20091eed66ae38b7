<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\NoiseResults;

/** A person declared the segment up to a check that passed representative; the rest of the run is void. */
final readonly class RepresentativeSegment implements Rule
{
    public function id(): string
    {
        return 'bracket.representative-segment';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $segment = $case->results instanceof NoiseResults ? $case->results->representative : null;
        if ($segment !== null) {
            $declaration = $case->run->declaration;
            yield $setting->finding(\sprintf('Only the segment up to %s stands. %s declared it representative: %s', $case->hour($segment[1]->to), $declaration->by ?? '', $declaration->reason ?? ''), [$segment[0]->id]);
        }
    }
}
