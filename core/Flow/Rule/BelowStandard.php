<?php

declare(strict_types=1);

namespace Footnote\Core\Flow\Rule;

use Footnote\Core\Evidence\Check;
use Footnote\Core\Flow\FlowCheck;
use Footnote\Core\Flow\FlowMeasurement;
use Footnote\Core\Flow\SampleResults;
use Footnote\Core\Judgement\RuleSetting;
use Footnote\Core\Judgement\RunCase;

/** The flow had fallen a little, and out of the range of the standard that it was read with. */
final readonly class BelowStandard extends SampleRule
{
    public function id(): string
    {
        return 'flow.below-standard';
    }

    protected function check(Check $check, FlowCheck $content, SampleResults $results, RunCase $case, RuleSetting $setting): iterable
    {
        $below = $content->readings->points === []
            ? FlowMeasurement::of($content->readings->asFound, 'as found', $check, $content, $case->timeline)?->below
            : null;
        if ($below !== null) {
            yield $setting->finding(
                \sprintf('At the check of %s %s; it had changed by no more than is allowed.', $case->hour($check->at), $below),
                [$check->id],
            );
        }
    }
}
