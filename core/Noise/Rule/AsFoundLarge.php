<?php

declare(strict_types=1);

namespace Footnote\Core\Noise\Rule;

use Footnote\Core\Judgement\Rule;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;
use Footnote\Core\Noise\AcousticResponse;

/** The unit read far from right when it was taken up: it wants a look, whatever the run. */
final readonly class AsFoundLarge implements Rule
{
    public function id(): string
    {
        return 'noise.as-found-large';
    }

    public function judge(RunCase $case, RuleSetting $setting): iterable
    {
        $pre = $case->bracket->pre;
        $found = $pre === null ? null : (new AcousticResponse())->asFound($pre, $case->timeline)?->offset;
        $limit = $setting->limit('as-found');
        if ($pre !== null && $found !== null && !$limit->isKeptBySize($found->value)) {
            $seen = \sprintf('At the check before the run it was found %s dB off.', $found->signed());
            yield $setting->finding($seen, [$pre->id], $limit)->naming($found);
        }
    }
}
